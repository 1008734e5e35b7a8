<?php

declare(strict_types=1);

namespace Diastoma\Core\Lifting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** What each of two upright slings carries: the bell makes one end heavier. The centre of gravity hangs between them. */
#[Calculates(
    'sling-points',
    'What does each of two slings carry?',
    Family::Gasketed,
    ['cg_from_bell_m', 'load1_n', 'load2_n'],
    'Statics; the extra mass of the bell at its end',
)]
final class SlingPoints
{
    /** @return array{cg_from_bell_m: float, load1_n: float, load2_n: float} */
    public function __invoke(
        #[Measure('length_m', Quantity::Length, above: 0, max: 30)] float $length,
        #[Measure('barrel_kg', Quantity::Mass, above: 0)] float $barrel,
        #[Measure('bell_extra_kg', Quantity::Mass, min: 0)] float $bell,
        #[Measure('sling1_from_bell_m', Quantity::Length, min: 0)] float $first,
        #[Measure('sling2_from_bell_m', Quantity::Length, min: 0)] float $second,
    ): array {
        $centre = ($barrel * $length) / 2 / ($barrel + $bell);
        $said = round($centre, 3);
        if ($first >= $centre) {
            throw Refused::field(
                'sling1_from_bell_m',
                "sling1_from_bell_m is {$first} m; the pipe balances at {$said} m and tips: hang this sling nearer to the bell.",
            );
        }
        if ($second <= $centre) {
            throw Refused::field(
                'sling2_from_bell_m',
                "sling2_from_bell_m is {$second} m; the pipe balances at {$said} m and tips: hang this sling farther from the bell.",
            );
        }
        if ($second > $length) {
            throw Refused::field('sling2_from_bell_m', "sling2_from_bell_m is {$second} m; the pipe is {$length} m long.");
        }
        $weight = ($barrel + $bell) * Si::GRAVITY;
        $load2 = ($weight * ($centre - $first)) / ($second - $first);

        return ['cg_from_bell_m' => $centre, 'load1_n' => $weight - $load2, 'load2_n' => $load2];
    }
}
