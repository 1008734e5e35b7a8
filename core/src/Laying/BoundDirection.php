<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Field\Number;

/** The direction of a pipe or fitting that the line must meet. */
final readonly class BoundDirection
{
    public function __construct(
        #[Number('azimuth_deg', about: 'clockwise from north, along the line')] public float $azimuth,
        #[Number('grade_ratio', min: -2, max: 2, about: 'rise over run')] public float $grade = 0.0,
    ) {
    }

    public function direction(): Direction
    {
        return Direction::towards($this->azimuth, $this->grade);
    }
}
