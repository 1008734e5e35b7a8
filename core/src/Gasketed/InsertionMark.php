<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * Where the mark goes, and whether the push brought it where its meaning wants it. A mark stored without its meaning
 * proves nothing; a mark that cannot be seen proves what its meaning says of that.
 */
#[Calculates(
    'insertion-mark',
    'Is the spigot in to its mark?',
    Family::Gasketed,
    ['mark_m', 'offcentre_m', 'failed', 'pass', 'verdict'],
    'Common practice: what a mark means differs by kind of joint and school',
    verdicts: ['good', 'bad', 'open'],
    codes: ['failed' => ['under-inserted', 'over-inserted', 'off-centre', 'not-home']],
)]
final class InsertionMark
{
    private const MEANINGS = ['minimum', 'nominal-centred', 'home-line', 'beyond-after-pull', 'just-visible', 'stab-face'];

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('depth_to_stop_m', Quantity::Length, above: 0, max: 2)] float $depth,
        #[Measure('end_gap_m', Quantity::Length, min: 0, max: 0.2)] float $gap,
        #[Choice('school', ['one-mark', 'two-marks'])] ?string $school = null,
        #[Choice('meaning', self::MEANINGS)] ?string $meaning = null,
        #[Measure('mark1_visible_m', Quantity::Length, about: 'minus = hidden')] ?float $first = null,
        #[Measure('mark2_visible_m', Quantity::Length)] ?float $second = null,
        #[Flag('mark1_hidden', about: 'cannot be seen: in place of the reading')] bool $firstHidden = false,
        #[Flag('mark2_hidden')] bool $secondHidden = false,
        #[Measure('max_visible_m', Quantity::Length, min: 0)] ?float $maxVisible = null,
        #[Measure('tol_m', Quantity::Length, min: 0, about: 'home line: how much of it may be seen')] float $tolerance = 0.0,
        #[Measure('centre_tol_m', Quantity::Length, min: 0)] ?float $centreTolerance = null,
        #[Measure('face_max_m', Quantity::Length, min: 0)] ?float $faceMax = null,
        #[Flag('after_pull', about: 'the slack is pulled out')] ?bool $afterPull = null,
    ): array {
        if ($gap >= $depth) {
            throw Refused::field('end_gap_m', "end_gap_m {$gap} m must be less than the depth to the stop, {$depth} m.");
        }
        if ($school !== null && $meaning !== null) {
            throw Refused::field('school|meaning', 'school and meaning say the same of a mark: give one of them.');
        }
        $marks = [new MarkReading('mark1', $first, $firstHidden), new MarkReading('mark2', $second, $secondHidden)];
        $meaning ??= ['one-mark' => 'just-visible', 'two-marks' => 'between-marks'][$school ?? ''] ?? 'unknown';
        [$failed, $proved] = match ($meaning) {
            'minimum' => [$marks[0]->outBeyond(0.0, 'under-inserted'), $marks[0]->isKnown()],
            'home-line' => [$marks[0]->outBeyond($tolerance, 'under-inserted'), $marks[0]->isKnown()],
            'beyond-after-pull' => [
                [...$marks[0]->outBeyond(0.0, 'under-inserted'), ...$marks[1]->outBeyond(0.0, 'under-inserted')],
                $afterPull === true && $marks[0]->isKnown() && $marks[1]->isKnown(),
            ],
            'just-visible' => [
                [
                    ...$maxVisible === null ? [] : $marks[0]->outBeyond($maxVisible, 'under-inserted'),
                    ...$marks[0]->inBeyond(0.0, 'over-inserted'),
                ],
                $marks[0]->isKnown() && $maxVisible !== null,
            ],
            'between-marks' => [
                [...$marks[0]->outBeyond(0.0, 'under-inserted'), ...$marks[1]->inBeyond(0.0, 'over-inserted')],
                $marks[0]->isKnown() && $marks[1]->isKnown(),
            ],
            'stab-face' => [
                $faceMax === null || $marks[0]->visible === null
                    ? []
                    : [...$marks[0]->outBeyond($faceMax, 'not-home'), ...$marks[0]->inBeyond(-$faceMax, 'not-home')],
                $faceMax !== null && $marks[0]->visible !== null,
            ],
            'nominal-centred' => $this->centred($marks, $centreTolerance),
            default => [[], false],
        };
        $pass = $failed !== [] ? false : ($proved ? true : null);

        return [
            'mark_m' => $depth - $gap,
            ...$meaning === 'nominal-centred' ? ['offcentre_m' => self::offCentre($marks)] : [],
            'failed' => array_values(array_unique($failed)),
            'pass' => $pass,
            'verdict' => $pass === null ? 'open' : ($pass ? 'good' : 'bad'),
        ];
    }

    /**
     * @param  array{MarkReading, MarkReading}  $marks
     * @return array{list<string>, bool}
     */
    private function centred(array $marks, ?float $tolerance): array
    {
        $off = self::offCentre($marks);
        if ($off === null || $tolerance === null) {
            return [[], false];
        }

        return [(new MarkReading('mark1', abs($off), false))->outBeyond($tolerance, 'off-centre'), true];
    }

    /**
     * @param  array{MarkReading, MarkReading}  $marks
     * @return float|null plus = too far on pipe 1; null unless both marks are read
     */
    private static function offCentre(array $marks): ?float
    {
        return $marks[0]->visible === null || $marks[1]->visible === null ? null : ($marks[1]->visible - $marks[0]->visible) / 2;
    }
}
