<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** Gaps under a straight edge at two distances beyond the end of the first pipe, at one angle round it; minus: it stands proud. */
final readonly class EdgeReading
{
    public function __construct(
        #[Number('theta_deg', min: 0, below: 360)] public float $degrees,
        #[Measure('near_mm', Quantity::Length)] public float $near,
        #[Measure('far_mm', Quantity::Length)] public float $far,
    ) {
    }
}
