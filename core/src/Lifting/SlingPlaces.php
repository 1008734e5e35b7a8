<?php

declare(strict_types=1);

namespace Diastoma\Core\Lifting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Where two slings go so that each carries as much as the other: about the centre of gravity, near the quarter points. */
#[Calculates(
    'sling-places',
    'Where do two slings go?',
    Family::Gasketed,
    ['cg_from_bell_m', 'sling1_from_bell_m', 'sling2_from_bell_m', 'spacing_m'],
    'Statics; a fifth to a quarter in from each end: common practice',
)]
final class SlingPlaces
{
    /** @return array{cg_from_bell_m: float, sling1_from_bell_m: float, sling2_from_bell_m: float, spacing_m: float} */
    public function __invoke(
        #[Measure('length_m', Quantity::Length, above: 0, max: 30)] float $length,
        #[Measure('barrel_kg', Quantity::Mass, above: 0)] float $barrel = 1.0,
        #[Measure('bell_extra_kg', Quantity::Mass, min: 0)] float $bell = 0.0,
        #[Number('in_share', min: 0.05, max: 0.45, about: 'of the length, in from each end')] float $share = 0.25,
    ): array {
        $centre = ($barrel * $length) / 2 / ($barrel + $bell);
        $spacing = $length * (1 - 2 * $share);
        if ($centre <= $spacing / 2) {
            throw Refused::field(
                'bell_extra_kg',
                "bell_extra_kg is {$bell} kg; the pipe balances at ".round($centre, 3).' m: no sling goes beyond its bell.',
            );
        }

        return [
            'cg_from_bell_m' => $centre, 'sling1_from_bell_m' => $centre - $spacing / 2,
            'sling2_from_bell_m' => $centre + $spacing / 2, 'spacing_m' => $spacing,
        ];
    }
}
