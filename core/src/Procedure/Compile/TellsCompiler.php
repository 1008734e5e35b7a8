<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Tells\Attached;
use Diastoma\Core\Procedure\Tells\Clock;
use Diastoma\Core\Procedure\Tells\Column;
use Diastoma\Core\Procedure\Tells\CutOut;
use Diastoma\Core\Procedure\Tells\Receives;
use Diastoma\Core\Procedure\Tells\TagLine;
use Diastoma\Core\Procedure\Tells\Taken;
use Diastoma\Core\Procedure\Tells\Takes;
use Diastoma\Core\Procedure\Tells\Tells;
use Diastoma\Core\Procedure\Tells\Turns;

/**
 * Compiles what a procedure tells the rest of the product. Nothing is judged by it.
 *
 * @phpstan-import-type TellsText from AsWritten
 * @phpstan-import-type ClockText from AsWritten
 * @phpstan-import-type ColumnText from AsWritten
 * @phpstan-import-type TagLineText from AsWritten
 * @phpstan-import-type TakesText from AsWritten
 * @phpstan-import-type TakenText from AsWritten
 */
final readonly class TellsCompiler
{
    private const PIECE_M = 1.0;

    public function __construct(private Reader $reader)
    {
    }

    /**
     * @param  TellsText  $tells  in the form of the schema
     * @param  array<string, string>  $clocks  as texts state them that tell nothing else: name => path
     * @param  string  $place  where such a joint sits
     */
    public function compile(array $tells, array $clocks, string $place): Tells
    {
        $leaves = $this->reader->below('tells')->below('leaves_face');

        return new Tells(
            clocks: $this->clocks($tells['clocks'] ?? [], $clocks),
            leavesFace: isset($tells['leaves_face']) ? $leaves->conditions($tells['leaves_face']) : null,
            pipes: $this->pipes($tells['pipes'] ?? []),
            register: $this->register($tells['register'] ?? []),
            tagHead: isset($tells['tag']['head']) ? $this->line($tells['tag']['head'], $this->tag()->below('head')) : null,
            tag: $this->lines($tells['tag']['lines'] ?? []),
            cutOut: new CutOut(
                $tells['cut_out']['joints'] ?? ($place === 'in-line' ? 2 : 0),
                (float) ($tells['cut_out']['piece_m'] ?? self::PIECE_M),
                $tells['cut_out']['rejoins'] ?? false,
            ),
            attached: isset($tells['attached']) ? new Attached($tells['attached']['place'], $tells['attached']['each_side']) : null,
            letter: $tells['letter'] ?? 'J',
            covers: $this->time('covers', $tells['covers'] ?? null),
            uncovers: $this->time('uncovers', $tells['uncovers'] ?? null),
            receives: isset($tells['receives']) ? $this->receives($tells['receives']) : null,
            turns: isset($tells['turns']) ? $this->turns($tells['turns']) : null,
            takes: isset($tells['takes']) ? $this->takes($tells['takes'], $tells['tested_after'] ?? null) : null,
        );
    }

    /** @param  string|array<string, mixed>|null  $written */
    private function time(string $key, string|array|null $written): ?Expression
    {
        return $written === null ? null : $this->reader->below('tells')->below($key)->expression($written);
    }

    /**
     * What a text tells that was written before texts told anything but clocks: its own clocks, under the names that they
     * had on every page.
     *
     * @param  array<string, string>  $clocks
     */
    public function compileOlder(array $clocks, string $place): Tells
    {
        /** @var TellsText&array{clocks: array<string, ClockText>} $tells */
        $tells = Data::json('tells/schema-1.json');
        $known = array_intersect_key($tells['clocks'], $clocks);
        foreach ($known as $name => $clock) {
            $known[$name]['at'] = $clocks[$name];
        }

        return $this->compile(['clocks' => $known] + $tells, array_diff_key($clocks, $known), $place);
    }

    /**
     * @param  array{
     *     pipes: string|array<string, mixed>, from?: string|array<string, mixed>, batches?: string|array<string, mixed>
     * }  $receives
     */
    private function receives(array $receives): Receives
    {
        $at = $this->reader->below('tells')->below('receives');

        return new Receives(
            $at->below('pipes')->expression($receives['pipes']),
            isset($receives['from']) ? $at->below('from')->expression($receives['from']) : null,
            isset($receives['batches']) ? $at->below('batches')->expression($receives['batches']) : null,
        );
    }

    /** @param  array{parameter?: string, rule?: string|array<string, mixed>, nominal?: string|array<string, mixed>}  $turns */
    private function turns(array $turns): Turns
    {
        $at = $this->reader->below('tells')->below('turns');
        if (isset($turns['parameter']) === isset($turns['rule'])) {
            $at->fault('wants a parameter, or a rule with the nominal size: one of the two');
        }
        if (isset($turns['parameter'])) {
            // Read for its faults alone: a parameter that is not there is named.
            $at->below('parameter')->expression('$param.'.$turns['parameter']);
        } elseif (! isset($turns['nominal'])) {
            $at->fault('a rule wants the nominal size');
        }

        return new Turns(
            $turns['parameter'] ?? null,
            isset($turns['rule']) ? $at->below('rule')->expression($turns['rule']) : null,
            isset($turns['nominal']) ? $at->below('nominal')->expression($turns['nominal']) : null,
        );
    }

    /**
     * @param  array<string, mixed>  $written
     * @param  array{minutes?: string, times_cooling?: string}|null  $tested
     */
    private function takes(array $written, ?array $tested): Takes
    {
        /** @var TakesText $takes in the form of the schema */
        $takes = $written;
        $at = $this->reader->below('tells')->below('takes');
        $acts = [];
        foreach (Takes::ACTS as $act) {
            if (isset($takes[$act])) {
                $acts[$act] = $this->taken($at->below($act), $takes[$act]);
            }
        }
        $after = $tested['minutes'] ?? $tested['times_cooling'] ?? null;
        if ($tested !== null) {
            $this->refuseTested($tested, isset($acts['cool']));
        }

        return new Takes($acts, $after, isset($tested['times_cooling']));
    }

    /** @param  array{minutes?: string, times_cooling?: string}  $tested */
    private function refuseTested(array $tested, bool $cools): void
    {
        $at = $this->reader->below('tells')->below('tested_after');
        if (isset($tested['minutes']) === isset($tested['times_cooling'])) {
            $at->fault('wants minutes or times_cooling: one of the two');
        }
        foreach ($tested as $key => $parameter) {
            // Read for its faults alone: a parameter that is not there is named.
            $at->below($key)->expression('$param.'.$parameter);
        }
        if (! $cools) {
            $at->fault('is counted from power off, and nothing cools');
        }
    }

    /** @param  TakenText  $taken */
    private function taken(Reader $at, array $taken): Taken
    {
        $bySize = array_map(fn (array $row): array => [(float) $row[0], (float) $row[1]], array_values($taken['min_by_od_mm']));
        foreach ($bySize as $i => [$upTo, $min]) {
            if ($upTo <= ($bySize[$i - 1][0] ?? 0.0)) {
                $at->below('min_by_od_mm')->fault('diameters must rise from row to row');
            }
            if ($min <= 0.0) {
                $at->below('min_by_od_mm')->fault('what takes no time is left out: minutes must be more than 0');
            }
        }
        if (isset($taken['read_min'], $taken['read_s'])) {
            $at->fault('is read in minutes or in seconds: one of the two');
        }
        $isRead = isset($taken['read_min']) || isset($taken['read_s']);
        if ($isRead !== isset($taken['read_off'])) {
            $at->fault('wants read_off where it is read, and only there');
        }
        $key = isset($taken['read_s']) ? 'read_s' : 'read_min';

        return new Taken(
            $bySize,
            $taken['source'],
            $taken['certainty'],
            isset($taken[$key]) ? $at->below($key)->expression($taken[$key]) : null,
            $key === 'read_s',
            $taken['read_off'] ?? '',
        );
    }

    /**
     * @param  array<'a'|'b', string|array<string, mixed>>  $pipes
     * @return array<'a'|'b', Expression>
     */
    private function pipes(array $pipes): array
    {
        $read = [];
        foreach ($pipes as $side => $pipe) {
            $read[$side] = $this->reader->below('tells')->below('pipes')->below($side)->expression($pipe);
        }

        return $read;
    }

    /**
     * @param  array<string, ClockText>  $clocks
     * @param  array<string, string>  $paths
     * @return array<string, Clock>
     */
    private function clocks(array $clocks, array $paths): array
    {
        $read = [];
        foreach ($paths as $name => $path) {
            $read[$name] = new Clock(
                $name,
                Clock::labelOf($name),
                $this->reader->below('clocks')->below($name)->expression($path),
                null,
                null,
                null,
            );
        }
        foreach ($clocks as $name => $clock) {
            $at = $this->reader->below('tells')->below('clocks')->below($name);
            $until = isset($clock['until']) ? $at->below('until')->stepKey($clock['until']) : null;
            $read[$name] = new Clock(
                $name,
                $clock['label'],
                $at->below('at')->expression($clock['at']),
                $until,
                $clock['meanwhile'] ?? null,
                $clock['free'] ?? null,
            );
        }

        return $read;
    }

    /**
     * @param  array<string, ColumnText>  $columns
     * @return array<string, Column>
     */
    private function register(array $columns): array
    {
        $read = [];
        foreach ($columns as $name => $column) {
            $read[$name] = new Column(
                $name,
                $column['label'],
                $this->reader->below('tells')->below('register')->below($name)->below('value')->expression($column['value']),
            );
        }

        return $read;
    }

    private function tag(): Reader
    {
        return $this->reader->below('tells')->below('tag');
    }

    /**
     * @param  array<int, TagLineText>  $lines
     * @return list<TagLine>
     */
    private function lines(array $lines): array
    {
        return array_map(fn (int $i) => $this->line($lines[$i], $this->tag()->below("lines[{$i}]")), array_keys($lines));
    }

    /** @param  TagLineText  $line */
    private function line(array $line, Reader $at): TagLine
    {
        return new TagLine($line['label'], array_map($at->below('text')->sentence(...), array_values((array) $line['text'])));
    }
}
