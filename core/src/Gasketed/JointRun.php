<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** How far a run of pipes gets when each joint is turned by the same angle, the first one too. */
#[Calculates(
    'joint-run',
    'How far does a run of deflected pipes swing?',
    Family::Gasketed,
    ['offset_m', 'advance_m', 'turn_deg'],
    'Geometry: the sum of the lengths, each turned once more',
)]
final class JointRun
{
    /** @return array{offset_m: float, advance_m: float, turn_deg: float} */
    public function __invoke(
        #[Measure('length_m', Quantity::Length, min: 0.3, max: 20)] float $length,
        #[Number('angle_deg', min: 0, max: 15)] float $angle,
        #[Number('pipes', min: 1, max: 1000, whole: true)] float $pipes,
    ): array {
        $offset = $advance = 0.0;
        for ($k = 1; $k <= $pipes; $k++) {
            $offset += $length * sin(deg2rad($k * $angle));
            $advance += $length * cos(deg2rad($k * $angle));
        }

        return ['offset_m' => $offset, 'advance_m' => $advance, 'turn_deg' => $pipes * $angle];
    }
}
