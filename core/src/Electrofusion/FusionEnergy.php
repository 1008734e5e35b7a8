<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** Current, power and energy of a fusion: I = U/R, P = U²/R, E = U² t/R. Ten percent low voltage is 19 % low energy. */
#[Calculates(
    'fusion-energy',
    'What current, power and energy does the fusion take?',
    Family::Electrofusion,
    ['current_a', 'power_w', 'energy_j'],
    'Ohm\'s law',
)]
final class FusionEnergy
{
    /** @return array{current_a: float, power_w: float, energy_j: float} */
    public function __invoke(
        #[Measure('u_v', Quantity::Voltage, above: 0, max: 300)] float $u,
        #[Measure('r_ohm', Quantity::Resistance, above: 0, max: 100)] float $r,
        #[Measure('t_s', Quantity::Time, above: 0)] float $t,
    ): array {
        return ['current_a' => $u / $r, 'power_w' => $u ** 2 / $r, 'energy_j' => $u ** 2 * $t / $r];
    }
}
