<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Leak\Orifice;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** What a hole loses under pressure. */
#[Calculates('orifice-leak', 'What does a hole lose?', Family::PressureTest, ['leak_l_h'], 'Discharge through a sharp-edged orifice')]
final class OrificeLeak
{
    /** @return array{leak_l_h: float} */
    public function __invoke(
        #[Measure('hole_mm', Quantity::Length, above: 0, max: 1000)] float $hole,
        #[Measure('p_bar', Quantity::Pressure, min: 0)] float $pressure,
        #[Measure('t_water_degc', Quantity::Temperature)] ?float $waterTemperature = null,
        #[Number('cd', min: 0.3, max: 1)] float $cd = Orifice::SHARP,
    ): array {
        return ['leak_l_h' => Si::litres(Orifice::flow($hole, $pressure, $cd, Water::densityOr($waterTemperature))) * 3600];
    }
}
