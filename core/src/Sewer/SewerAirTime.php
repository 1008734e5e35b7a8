<?php

declare(strict_types=1);

namespace Diastoma\Core\Sewer;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\PressureTest\Outcome;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/** The least time in which the air of a plastic sewer may fall by its drop. */
#[Calculates(
    'sewer-air-time',
    'How long must the air stand in this sewer?',
    Family::PressureTest,
    ['k', 'time_s', 'start_psi', 'end_psi', 'length_min_time_ft', 'verdict', 'outcome', 'why'],
    'ASTM F1417; largest size and 9 psi from memory',
    verdicts: ['good', 'bad', 'open'],
    codes: ['outcome' => ['pass', 'fail', 'not-finished'], 'why' => ['visible_leak']],
)]
final class SewerAirTime
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('dn_in', Quantity::Length, above: 0)] float $dn,
        #[Measure('length_ft', Quantity::Length, above: 0)] float $length,
        #[Measure('drop_psi', Quantity::Pressure, above: 0, max: 1, about: '1 psi, or half of it')] float $drop = Unit::PSI,
        #[Measure('groundwater_ft', Quantity::Length, min: 0, about: 'above the invert, average')] float $groundwater = 0.0,
        #[Measure('p_start_psi', Quantity::Pressure, above: 0)] float $start = AirTest::START * Unit::PSI,
        #[Measure('p_start_max_psi', Quantity::Pressure, above: 0)] float $mostStart = AirTest::MOST_START * Unit::PSI,
        #[Number('q_cfm_ft2', above: 0, max: 1)] float $rate = AirTest::RATE,
        #[Measure('dn_max_in', Quantity::Length, above: 0)] float $largest = AirTest::LARGEST,
        #[Measure('elapsed_s', Quantity::Time, min: 0)] ?float $elapsed = null,
        #[Measure('p_drop_psi', Quantity::Pressure, min: 0, about: 'how far it fell in that time')] ?float $fell = null,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        AirTest::mustBeSmall($dn, $largest);
        $pressures = AirTest::pressures($groundwater, $drop, $start, $mostStart);
        $growth = AirTest::GROWTH * Si::inches($dn);
        $k = max(1.0, $growth * Si::feet($length));
        $time = AirTest::TIME * Si::inches($dn) * $k / $rate * Si::psi($drop);

        return [
            'k' => $k, 'time_s' => $time, ...$pressures, 'length_min_time_ft' => 1 / $growth,
            ...Outcome::answer(AirTest::outcome($time, $drop, $elapsed, $fell), $visibleLeak),
        ];
    }
}
