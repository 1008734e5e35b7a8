<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Units\Quantity;

/** What the slope on log paper needs, read off its log: the time of loading, and the pressure at three multiples of it. */
#[Calculates(
    'three-point-log',
    'What does a shut line show at its three times?',
    Family::PressureTest,
    ['t_load_min', 'readings', 'last_min', 'wanted_min'],
    'Readings between the phases that the crew marked; multiples 1, 7 and 15 of the loading time from memory',
)]
final class ThreePointLog
{
    /** Of the loading time, from the shut valve (from memory: British water industry guidance). */
    private const MULTIPLES = [1.0, 7.0, 15.0];

    /**
     * @param  non-empty-list<list<float>>  $samples
     * @return array<string, mixed> readings: null as long as the log does not reach the last of them
     */
    public function __invoke(
        #[Rows('samples', ['t_min', 'pressure_kpa', 'added_l', 'temp_c'], atLeast: 2, optional: 2)] array $samples,
        #[Measure('raise_from_min', Quantity::Time, min: 0)] float $raiseFrom,
        #[Measure('shut_min', Quantity::Time, min: 0)] float $shut,
    ): array {
        $log = new TestLog($samples);
        $log->mustRise(['raise_from' => $raiseFrom, 'shut' => $shut]);
        $load = ($shut - $raiseFrom) / 60;
        $last = $samples[\count($samples) - 1][0];
        $wanted = $shut / 60 + self::MULTIPLES[2] * $load;
        $at = array_map(fn (float $times) => [$times * $load, $log->pressure($shut / 60 + $times * $load)], self::MULTIPLES);

        return [
            't_load_min' => $load, 'readings' => $last >= $wanted - 1e-6 ? $at : null, 'last_min' => $last, 'wanted_min' => $wanted,
        ];
    }
}
