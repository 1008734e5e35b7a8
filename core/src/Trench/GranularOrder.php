<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** What is to be ordered of a bedding that is brought in: loose on the truck, and by weight. */
#[Calculates(
    'granular-order',
    'How much bedding is to be ordered?',
    Family::Gasketed,
    ['loose_m3', 'mass_t'],
    'Mass stays when volume shrinks',
    soil: true,
)]
final class GranularOrder
{
    /** @return array{loose_m3: float, mass_t: float} */
    public function __invoke(
        #[Number('compacted_m3', min: 0, max: 1e7)] float $compacted,
        #[Measure('compacted_dry_kg_m3', Quantity::Density, above: 0, max: 4000)] float $compactedDry,
        #[Measure('loose_dry_kg_m3', Quantity::Density, above: 0, max: 4000)] float $looseDry,
        #[Number('moisture_pct', min: 0, max: 40)] float $moisture,
        #[Number('waste_ratio', min: 0, max: 2)] float $waste = 0.0,
    ): array {
        if (! Compare::atMost($looseDry, $compactedDry)) {
            throw Refused::field(
                'loose_dry_kg_m3',
                "loose_dry_kg_m3 is {$looseDry}; compacted it is {$compactedDry}, and loose soil is no denser.",
            );
        }
        $wanted = $compacted * (1 + $waste);

        return [
            'loose_m3' => $wanted * $compactedDry / $looseDry,
            'mass_t' => $wanted * $compactedDry * (1 + $moisture / 100) / 1000,
        ];
    }
}
