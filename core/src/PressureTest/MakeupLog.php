<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Units\Quantity;

/** What a constant-pressure test needs, read off its log: water of the raise, readings, mean pressure and water of the hold. */
#[Calculates(
    'makeup-log',
    'What do raise and hold show in the log?',
    Family::PressureTest,
    ['raise_start_kpa', 'raise_end_kpa', 'raise_added_l', 'readings', 'average_kpa', 'duration_min', 'makeup_l', 'lowest_kpa'],
    'Readings between the phases that the crew marked; time-weighted mean',
)]
final class MakeupLog
{
    /**
     * @param  list<list<float>>  $samples
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Rows('samples', ['t_min', 'pressure_kpa', 'added_l', 'temp_c'], atLeast: 2, optional: 2)] array $samples,
        #[Measure('raise_from_min', Quantity::Time, min: 0)] float $raiseFrom,
        #[Measure('stable_from_min', Quantity::Time, min: 0)] float $stableFrom,
        #[Measure('hold_from_min', Quantity::Time, min: 0)] float $holdFrom,
        #[Measure('hold_to_min', Quantity::Time, min: 0)] float $holdTo,
    ): array {
        $log = new TestLog($samples);
        $log->mustRise(['raise_from' => $raiseFrom, 'stable_from' => $stableFrom, 'hold_from' => $holdFrom, 'hold_to' => $holdTo]);
        $hold = $log->between($holdFrom / 60, $holdTo / 60);

        return [
            'raise_start_kpa' => $log->pressure($raiseFrom / 60), 'raise_end_kpa' => $log->pressure($stableFrom / 60),
            'raise_added_l' => $log->water($raiseFrom / 60, $stableFrom / 60),
            'readings' => array_map(fn ($r) => [$r[0], $r[1]], $hold),
            'average_kpa' => TestLog::average($hold), 'duration_min' => $hold[\count($hold) - 1][0] - $hold[0][0],
            'makeup_l' => $log->water($holdFrom / 60, $holdTo / 60), 'lowest_kpa' => min([INF, ...array_column($hold, 1)]),
        ];
    }
}
