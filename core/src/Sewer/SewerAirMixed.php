<?php

declare(strict_types=1);

namespace Diastoma\Core\Sewer;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\PressureTest\Outcome;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/** Sizes tested in one go. It is shorter than the largest size alone wants: small pipe has more wall for its volume. */
#[Calculates(
    'sewer-air-mixed',
    'How long must the air stand in a sewer of several sizes?',
    Family::PressureTest,
    ['time_s', 'area_ft2', 'start_psi', 'end_psi', 'verdict', 'outcome', 'why'],
    'The rule of ASTM F1417, worked out for several sizes',
    verdicts: ['good', 'bad', 'open'],
    codes: ['outcome' => ['pass', 'fail', 'not-finished'], 'why' => ['visible_leak']],
)]
final class SewerAirMixed
{
    /**
     * @param  list<SewerPipe>  $segments
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('segments', SewerPipe::class)] array $segments,
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
        $pressures = AirTest::pressures($groundwater, $drop, $start, $mostStart);
        $area = $volume = 0.0;
        foreach ($segments as $pipe) {
            AirTest::mustBeSmall($pipe->dn, $largest);
            $area += $pipe->insideFt2();
            $volume += $pipe->volumeFt3();
        }
        $time = 60 * $volume / AirTest::ATMOSPHERE / ($rate * min($area, AirTest::MOST_AREA)) * Si::psi($drop);

        return [
            'time_s' => $time, 'area_ft2' => $area, ...$pressures,
            ...Outcome::answer(AirTest::outcome($time, $drop, $elapsed, $fell), $visibleLeak),
        ];
    }
}
