<?php

declare(strict_types=1);

namespace Diastoma\Core\Gas;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\PressureTest\Outcome;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Leak or weather? The fall of a shut gas line, freed from temperature and barometer, with its own uncertainty. Without
 * the step of the gauge, the uncertainty of the temperature and a limit there is no verdict.
 */
#[Calculates(
    'gas-drop',
    'Is it a leak, or the weather?',
    Family::PressureTest,
    ['expected_end_kpa', 'corrected_drop_kpa', 'leak_std_l_h', 'u95_kpa', 'verdict', 'outcome', 'why'],
    'Ideal gas; leak at 15 °C and 101.325 kPa',
    verdicts: ['good', 'bad', 'open'],
    codes: ['why' => ['gain', 'uncertain', 'visible_leak'], 'outcome' => ['pass', 'fail', 'cannot-tell']],
)]
final class GasDrop
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('volume_m3', Quantity::Volume, above: 0)] float $volume,
        #[Measure('p_start_bar', Quantity::Pressure, above: 0, about: 'gauge')] float $start,
        #[Measure('p_end_bar', Quantity::Pressure, min: 0, about: 'gauge')] float $end,
        #[Measure('baro_start_kpa', Quantity::Pressure, min: 50, max: 110)] float $airStart,
        #[Measure('baro_end_kpa', Quantity::Pressure, min: 50, max: 110)] float $airEnd,
        #[Measure('t_start_degc', Quantity::Temperature, min: -60, max: 100, about: 'of the gas')] float $from,
        #[Measure('t_end_degc', Quantity::Temperature, min: -60, max: 100, about: 'of the gas')] float $to,
        #[Measure('duration_h', Quantity::Time, above: 0)] float $duration,
        #[Measure('resolution_mbar', Quantity::Pressure, above: 0, about: 'step of the gauge')] ?float $resolution = null,
        #[Measure('u_temp_k', Quantity::TemperatureDifference, min: 0, about: 'of a temperature of the gas')] ?float $uTemperature = null,
        #[Measure('limit_kpa', Quantity::Pressure, above: 0)] ?float $limit = null,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        [$p1, $p2, $t1, $t2] = [$start + $airStart, $end + $airEnd, Gas::kelvin($from), Gas::kelvin($to)];
        $drop = $p1 - $p2 * $t1 / $t2;
        $leak = $volume / $duration * ($p1 / $t1 - $p2 / $t2) * Gas::STANDARD_K / Gas::STANDARD_PA;
        $u95 = $resolution === null || $uTemperature === null
            ? null
            : 2 * sqrt(2 * ($resolution / sqrt(12)) ** 2 + 2 * ($p1 * $uTemperature / $t1) ** 2);
        [$outcome, $why] = match (true) {
            $u95 === null || $limit === null => [null, null],
            $drop + $u95 < 0 => [Outcome::CannotTell, 'gain'],
            Compare::atMost($drop + $u95, $limit) => [Outcome::Pass, null],
            ! Compare::atMost($drop - $u95, $limit) => [Outcome::Fail, null],
            default => [Outcome::CannotTell, 'uncertain'],
        };

        return [
            'expected_end_kpa' => Si::kpa($p1 * $t2 / $t1 - $airEnd),
            'corrected_drop_kpa' => Si::kpa($drop),
            'leak_std_l_h' => Si::litres($leak) * 3600,
            ...($u95 === null ? [] : ['u95_kpa' => Si::kpa($u95)]),
            ...Outcome::answer($outcome, $visibleLeak, $why),
        ];
    }
}
