<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Phases;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Where raise and hold lie in a log that nobody marked: filled in for the crew, who move them where they know better. What is
 * not found is not said.
 */
#[Calculates(
    'log-phases',
    'When were raise and hold in this log?',
    Family::PressureTest,
    ['raise_from_min', 'stable_from_min', 'hold_from_min', 'hold_to_min'],
    'The phases of log-segment: its ramps, and its first hold to the last before it is let down',
)]
final class LogPhases
{
    /** s before the end of a phase: nobody has begun to let it down */
    private const END_S = 120.0;

    /** Share of the target by which a reading may lie lower and still be of the hold. */
    private const STOOD = 0.005;

    /**
     * @param  non-empty-list<list<float>>  $samples
     * @return array<string, float>
     */
    public function __invoke(
        #[Rows('samples', ['t_min', 'pressure_kpa', 'added_l', 'temp_c'], atLeast: 2, optional: 2)] array $samples,
        #[Measure('target_kpa', Quantity::Pressure, above: 0)] float $target,
        #[Measure('stabilise_min', Quantity::Time, min: 0, about: 'at least so long')] float $stabilise = 1800.0,
    ): array {
        $series = array_map(fn (array $row) => [60 * $row[0], $row[1]], $samples);
        $phases = (new LogSegment)($series, $target, stabilise: $stabilise)['phases'];
        $raise = self::called('ramp', $phases);
        $hold = self::called('hold', $phases);
        $found = [];
        if ($raise !== []) {
            $found = ['raise_from_min' => $raise[0]['from_s'], 'stable_from_min' => $raise[\count($raise) - 1]['to_s']];
        }
        if ($hold !== []) {
            $last = self::lastHeld($series, $hold[\count($hold) - 1], Si::kpa($target));
            $found += ['hold_from_min' => $hold[0]['from_s'], 'hold_to_min' => $last];
        }

        return array_map(fn (float $seconds) => round($seconds / 60, 2), $found);
    }

    /**
     * A phase ends with the block in which it is let down: its last reading that still stood counts.
     *
     * @param  non-empty-list<list<float>>  $series
     * @param  array{from_s: float, to_s: float}  $hold
     * @param  float  $target  kPa
     */
    private static function lastHeld(array $series, array $hold, float $target): float
    {
        $before = array_filter($series, fn (array $row) => $row[0] >= $hold['from_s'] && $row[0] <= $hold['to_s'] - self::END_S);
        $stood = $before === [] ? null : $before[array_key_last($before)][1];
        $last = $hold['from_s'];
        foreach ($series as [$at, $pressure]) {
            if ($at >= $hold['from_s'] && $at <= $hold['to_s'] && ($stood === null || $pressure >= $stood - self::STOOD * $target)) {
                $last = $at;
            }
        }

        return $last;
    }

    /**
     * @param  list<array<string, mixed>>  $phases
     * @return list<array{from_s: float, to_s: float}>
     */
    private static function called(string $name, array $phases): array
    {
        /** @var list<array{from_s: float, to_s: float}> */
        return array_values(array_filter($phases, fn (array $phase) => $phase['name'] === $name));
    }
}
