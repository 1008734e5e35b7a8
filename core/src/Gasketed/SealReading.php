<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** How deep the blade goes in at a clock hour, from the face of the bell to the gasket. */
final readonly class SealReading
{
    public function __construct(
        #[Number('hour', min: 0, max: 12)] public float $hour,
        #[Measure('depth_m', Quantity::Length, min: 0, max: 1)] public float $depth,
    ) {
    }
}
