<?php

declare(strict_types=1);

namespace Diastoma\Core\Thrust;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** A bend that turns down is lifted: the block hangs on it, strapped. What pushes it forward still needs bearing or locked joints. */
#[Calculates(
    'gravity-block',
    'How much concrete holds this bend down?',
    Family::Gasketed,
    ['uplift_n', 'volume_m3'],
    'Statics',
    soil: true,
)]
final class GravityBlock
{
    /** @return array{uplift_n: float, volume_m3: float} */
    public function __invoke(
        #[Measure('pressure_pa', Quantity::Pressure, min: 0, max: 1e7)] float $pressure,
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] float $od,
        #[Number('angle_deg', above: 0, max: 90, about: 'from level, downwards')] float $angle,
        #[Number('safety_factor', min: 1, max: 3)] float $safety,
        #[Number('concrete_n_m3', min: 18000, max: 26000, about: 'unit weight, N/m³')] float $concrete,
        #[Number('water_n_m3', min: 0, max: 12000, about: 'unit weight of water that the block stands in; 0: dry')] float $water = 0.0,
    ): array {
        $uplift = $pressure * M_PI * $od ** 2 / 4 * sin(deg2rad($angle));

        return ['uplift_n' => $uplift, 'volume_m3' => $safety * $uplift / ($concrete - $water)];
    }
}
