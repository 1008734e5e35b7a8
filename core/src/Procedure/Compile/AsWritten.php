<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

/**
 * The form of a procedure once {@see Shape} has held it against the published schema: what the compilers may rely on. Lists
 * keep the numbers of their entries, and an entry that did not fit is missing.
 *
 * @phpstan-type ConditionsText array<int, array<string, mixed>>
 * @phpstan-type OptionText array{value: string, label: string, verdict?: string, bad?: string, do?: string}
 * @phpstan-type UsualText array{min?: int|float, max?: int|float, near?: string|array<string, mixed>, within_pct?: int|float, whole?: bool}
 * @phpstan-type FieldText array{
 *     key: string, label: string, type?: string, of?: string, preset?: mixed, suggest?: string|array<string, mixed>,
 *     scanned?: string|array<string, mixed>, delivered?: array{as: 'batch'|'named', called: list<string>},
 *     quantity?: string, min?: int|float, max?: int|float, optional?: bool, wanted?: bool, want?: bool, should?: bool, otherwise?: string,
 *     bad?: string, do?: string, options?: array<int, OptionText>, usual?: UsualText
 * }
 * @phpstan-type LimitText array{
 *     of: string, min?: mixed, max?: mixed, within?: mixed, tol?: mixed, is?: mixed, u?: mixed,
 *     rule?: 'guarded'|'guarded-95'|'simple'
 * }
 * @phpstan-type LimitReadText array{of: string, label: string, source: string}
 * @phpstan-type SayText array{text: string, verdict?: string|array<int, string>, do?: string, has?: string, limit?: mixed}
 * @phpstan-type ExcuseText array{of: string, codes: array<int, string>, when: ConditionsText, as: string}
 * @phpstan-type RuleText array{
 *     calc: string, calc_as?: string, in: array<string, mixed>, when?: ConditionsText,
 *     judges?: bool|'computed'|array<int, string>, limit?: string|LimitReadText, own_verdict?: bool, text?: string, waits?: string,
 *     cured_by?: string,
 *     limits?: array<int, LimitText>, excuse?: ExcuseText, say?: array<int, SayText>
 * }
 * @phpstan-type OfferText array{within_min?: int|float, same?: string, without?: array<int, string>}
 * @phpstan-type CautionText string|array{text: string, when?: ConditionsText}
 * @phpstan-type PhotoText array{of: string, wanted?: bool|ConditionsText}
 * @phpstan-type StepText array{
 *     id: string, kind: string, stage?: string, title: string, why?: string, each?: array<int, string>, optional?: bool,
 *     when?: ConditionsText, after?: array<int, string>, needs_good?: array<int, string>,
 *     not_before?: string|array<string, mixed>, early?: array{verdict?: string, text?: string, do?: string}, gate?: bool,
 *     roles?: array<int, string>, seals?: bool, free?: bool, confirms?: bool, refused_do?: string,
 *     once?: bool, once_unless?: ConditionsText, once_text?: string, once_do?: string, once_permitted?: string,
 *     offer?: OfferText, retry?: bool, photo?: PhotoText, positions?: array<int, string>, across?: bool,
 *     plan?: string, wrench?: string, none?: string, reads?: string, own?: bool, columns?: array<int, string>, columns_optional?: int,
 *     cautions?: array<int, CautionText>, summary?: string|array<int, string>, device?: string, action?: string,
 *     device_in?: array<string, mixed>, figure?: array{shape: string, in: array<string, mixed>},
 *     drawing?: array<string, string>, model?: array{calc: string, in: array<string, mixed>},
 *     live?: array{calc: string, series: string, in: array<string, mixed>},
 *     model_in?: array<string, mixed>, stand_in?: array{programme: string, hold_s?: int|float},
 *     fields?: array<int, FieldText>, judge?: array<int, RuleText>, guide?: array<int, RuleText>
 * }
 * @phpstan-type ClockText array{
 *     at: string|array<string, mixed>, label: string, until?: string, meanwhile?: string, free?: string
 * }
 * @phpstan-type ColumnText array{label: string, value: string|array<string, mixed>}
 * @phpstan-type TagLineText array{label: string, text: string|array<int, string>}
 * @phpstan-type SuitText array{
 *     of: 'material'|'service'|'dn_mm'|'sdr', in?: array<int, string>, min?: int|float, max?: int|float, why: string
 * }
 * @phpstan-type TakenText array{
 *     min_by_od_mm: array<int, array{int|float, int|float}>, source: string, certainty: string,
 *     read_min?: string|array<string, mixed>, read_s?: string|array<string, mixed>, read_off?: string
 * }
 * @phpstan-type TakesText array{prepare?: TakenText, fit?: TakenText, fuse?: TakenText, cool?: TakenText}
 * @phpstan-type TellsText array{
 *     clocks?: array<string, ClockText>, leaves_face?: ConditionsText, pipes?: array<'a'|'b', string|array<string, mixed>>,
 *     register?: array<string, ColumnText>, tag?: array{head?: TagLineText, lines?: array<int, TagLineText>},
 *     cut_out?: array{joints: int, piece_m?: int|float, rejoins?: bool},
 *     attached?: array{place: string, each_side: int}, letter?: string,
 *     covers?: string|array<string, mixed>, uncovers?: string|array<string, mixed>,
 *     receives?: array{pipes: string|array<string, mixed>, from?: string|array<string, mixed>, batches?: string|array<string, mixed>},
 *     turns?: array{parameter?: string, rule?: string|array<string, mixed>, nominal?: string|array<string, mixed>},
 *     takes?: array<string, mixed>, tested_after?: array{minutes?: string, times_cooling?: string}
 * }
 * @phpstan-type ParameterText array{value: int|float|string|bool, label?: string, source: string, certainty: string}
 * @phpstan-type ProcedureText array{
 *     id?: string, version?: string, title?: string, joint_type?: string, family?: 'joint'|'test'|'stretch',
 *     place?: 'in-line'|'on-pipe'|'restraint'|'line', daily?: bool, school?: string, language?: string,
 *     medium?: 'water'|'low-air'|'gas'|'vacuum'|'nothing',
 *     clocks?: array<string, string>, suits?: array<int, SuitText>, tells?: TellsText,
 *     parameters?: array<string, ParameterText>,
 *     steps?: array<int, StepText>
 * }
 */
final class AsWritten
{
    private function __construct()
    {
    }
}
