<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** Gap felt at a clock hour; 12 counts as 0. */
final readonly class FeelerReading
{
    public float $hour;

    public function __construct(
        #[Number('clock_h', min: 0, max: 12)] float $hour,
        #[Measure('gap_mm', Quantity::Length, min: 0)] public float $gap,
    ) {
        $this->hour = fmod($hour, 12);
    }
}
