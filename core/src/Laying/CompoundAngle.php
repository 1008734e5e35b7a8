<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Number;

/** A joint that turns sideways and up at once. The two angles are never added. */
#[Calculates(
    'compound-angle',
    'What angle has a joint that turns sideways and up?',
    Family::Gasketed,
    ['angle_deg', 'turn_hour'],
    'Geometry: angle between two directions in space',
)]
final class CompoundAngle
{
    /** @return array{angle_deg: float, turn_hour: float|null} */
    public function __invoke(
        #[Number('azimuth1_deg', about: 'clockwise from north')] float $azimuth1,
        #[Number('grade1_ratio', min: -2, max: 2, about: 'rise over run')] float $grade1,
        #[Number('azimuth2_deg')] float $azimuth2,
        #[Number('grade2_ratio', min: -2, max: 2)] float $grade2,
    ): array {
        $first = Direction::towards($azimuth1, $grade1);
        $second = Direction::towards($azimuth2, $grade2);

        return ['angle_deg' => $first->angleTo($second), 'turn_hour' => $first->hourTo($second)];
    }
}
