<?php

declare(strict_types=1);

namespace Diastoma\Core\Thrust;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;

/**
 * Area of concrete against undisturbed soil. Bolts and joints stay clear of it, and no pressure comes before it has its strength;
 * what the soil bears an engineer confirms.
 */
#[Calculates(
    'thrust-block',
    'How large must the thrust block be?',
    Family::Gasketed,
    ['area_m2', 'width_m', 'height_ok'],
    'Statics; bearing of soils: common practice',
)]
final class ThrustBlock
{
    /** A block is no higher than this share of the depth to its base, so that soil stands before it. */
    private const HIGHEST = 0.5;

    /** @return array{area_m2: float, width_m: float|null, height_ok: bool|null} null: height or depth not given */
    public function __invoke(
        #[Measure('thrust_n', Quantity::Force, min: 0)] float $thrust,
        #[Number('safety_factor', min: 1, max: 3)] float $safety,
        #[Measure('bearing_pa', Quantity::Pressure, above: 0, max: 1e6)] float $bearing,
        #[Measure('height_m', Quantity::Length, above: 0, max: 10)] ?float $height = null,
        #[Measure('depth_to_base_m', Quantity::Length, above: 0, max: 30)] ?float $depth = null,
    ): array {
        $area = $thrust * $safety / $bearing;

        return [
            'area_m2' => $area,
            'width_m' => $height === null ? null : $area / $height,
            'height_ok' => $height === null || $depth === null ? null : Compare::atMost($height, self::HIGHEST * $depth),
        ];
    }
}
