<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** Chlorine for the disinfection of a section, and the product that holds it. */
#[Calculates(
    'chlorine-mass',
    'How much chlorine does the section take?',
    Family::PressureTest,
    ['chlorine_kg', 'product_kg'],
    'Mass = volume by concentration',
)]
final class ChlorineMass
{
    /** @return array{chlorine_kg: float, product_kg: float} */
    public function __invoke(
        #[Measure('volume_m3', Quantity::Volume, above: 0)] float $volume,
        #[Number('mg_per_l', above: 0, max: 100000)] float $concentration,
        #[Percent('strength_percent', above: 0, about: 'available chlorine of the product')] float $strength,
    ): array {
        $mass = $volume * $concentration / 1000;

        return ['chlorine_kg' => $mass, 'product_kg' => $mass / ($strength / 100)];
    }
}
