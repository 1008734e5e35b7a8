<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** Density, bulk modulus and expansion of the test water. */
#[Calculates(
    'water-properties',
    'How heavy, stiff and expansive is the water?',
    Family::PressureTest,
    ['density_kg_m3', 'bulk_modulus_gpa', 'expansion_1e6_per_k'],
    'Kell 1975, J. Chem. Eng. Data 20; UNESCO 1980 for pressure',
)]
final class WaterProperties
{
    /** @return array<string, float> */
    public function __invoke(
        #[Measure('t_degc', Quantity::Temperature, min: 0, max: 60)] float $t,
        #[Measure('p_mpa', Quantity::Pressure, min: 0, max: 50)] float $p = 0.0,
    ): array {
        return [
            'density_kg_m3' => Water::density($t),
            'bulk_modulus_gpa' => Water::bulkModulus($t, $p) / 1e9,
            'expansion_1e6_per_k' => Water::expansion($t) * 1e6,
        ];
    }
}
