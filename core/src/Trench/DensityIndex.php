<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Of clean sand and gravel: where between its loosest and its densest it lies. */
#[Calculates(
    'density-index',
    'How dense is clean sand or gravel, between loosest and densest?',
    Family::Gasketed,
    ['density_index_pct', 'warnings'],
    'Definition of the density index',
    codes: ['warnings' => ['outside-0-100']],
)]
final class DensityIndex
{
    /** @return array{density_index_pct: float, warnings: list<string>} */
    public function __invoke(
        #[Measure('dry_density_kg_m3', Quantity::Density, above: 0, max: 4000)] float $dry,
        #[Measure('min_dry_density_kg_m3', Quantity::Density, above: 0, max: 4000)] float $least,
        #[Measure('max_dry_density_kg_m3', Quantity::Density, above: 0, max: 4000)] float $most,
    ): array {
        if ($most <= $least) {
            throw Refused::field('max_dry_density_kg_m3', "max_dry_density_kg_m3 is {$most}; it must be above the least, {$least}.");
        }
        $index = 100 * $most * ($dry - $least) / ($dry * ($most - $least));
        $isOutside = ! Compare::atLeast($index, 0.0) || ! Compare::atMost($index, 100.0);

        return ['density_index_pct' => $index, 'warnings' => $isOutside ? ['outside-0-100'] : []];
    }
}
