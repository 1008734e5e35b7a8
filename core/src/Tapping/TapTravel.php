<?php

declare(strict_types=1);

namespace Diastoma\Core\Tapping;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** How far the cutter must go until it is through, and until the coupon is free. */
#[Calculates(
    'tap-travel',
    'How far must the cutter go?',
    Family::Mechanical,
    ['first_through_m', 'coupon_free_m'],
    'Geometry of a hole square to a round pipe',
)]
final class TapTravel
{
    /** @return array{first_through_m: float, coupon_free_m: float} from where the cutter touches the pipe */
    public function __invoke(
        #[Measure('od_m', Quantity::Length, above: 0)] float $od,
        #[Measure('wall_m', Quantity::Length, above: 0)] float $wall,
        #[Measure('cutter_m', Quantity::Length, above: 0, about: 'its diameter')] float $cutter,
    ): array {
        [$outer, $r] = [$od / 2, $cutter / 2];
        if ($wall >= $outer) {
            throw Refused::field('wall_m', "wall_m is {$wall} m; the pipe is {$od} m across.");
        }
        if ($r >= $outer - $wall) {
            throw Refused::field('cutter_m', "cutter_m is {$cutter} m, as wide as the bore of the main.");
        }

        return ['first_through_m' => $wall, 'coupon_free_m' => $outer - sqrt(($outer - $wall) ** 2 - $r ** 2)];
    }
}
