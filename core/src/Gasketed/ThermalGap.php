<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** Room to leave in a joint so that the pipe may grow when it warms. Where the mark holds the room already, it is not added twice. */
#[Calculates(
    'gasketed-thermal-gap',
    'How much room does the pipe want to grow?',
    Family::Gasketed,
    ['gap_m', 'growth_m'],
    'Thermal expansion of the pipe wall, not of the air',
)]
final class ThermalGap
{
    /** @return array{gap_m: float, growth_m: float} `growth_m`: minus = it was laid hotter than it will ever be */
    public function __invoke(
        #[Number('alpha_per_c', min: 1e-6, max: 3e-4)] float $alpha,
        #[Measure('length_m', Quantity::Length, above: 0)] float $length,
        #[Measure('max_temp_c', Quantity::Temperature, min: -20, max: 80)] float $hottest,
        #[Measure('laying_temp_c', Quantity::Temperature, min: -30, max: 70)] float $laying,
        #[Measure('min_gap_m', Quantity::Length, min: 0)] float $least = 0.0,
    ): array {
        $growth = $alpha * $length * ($hottest - $laying);

        return ['gap_m' => $least + max(0.0, $growth), 'growth_m' => $growth];
    }
}
