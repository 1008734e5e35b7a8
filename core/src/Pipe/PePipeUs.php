<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Wall and diameter of inch polyethylene pipe (IPS or DIPS outside diameter). */
#[Calculates(
    'pe-pipe-us',
    'What wall and diameter does inch PE pipe have?',
    Family::Electrofusion,
    ['wall_min_in', 'od_min_in', 'od_max_in', 'id_avg_in'],
    'ASTM F714 (tolerance from memory); average bore with half of the +12 % wall tolerance, common practice',
)]
final class PePipeUs
{
    /** @return array<string, float> */
    public function __invoke(
        #[Measure('od_in', Quantity::Length, above: 0, max: 70)] float $od,
        #[Number('dr', min: 5, max: 45)] float $dr,
        #[Number('od_tol_pct', min: 0, max: 5)] float $tolerance = 0.45,
    ): array {
        $inches = Si::inches($od);
        $wall = max(0.062, round($inches / $dr, 3));

        return [
            'wall_min_in' => $wall,
            'od_min_in' => round($inches * (1 - $tolerance / 100), 3),
            'od_max_in' => round($inches * (1 + $tolerance / 100), 3),
            'id_avg_in' => $inches - 2 * 1.06 * $wall,
        ];
    }
}
