<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** How far the insertion mark lies outside the face of the coupling at a clock hour; 12 counts as 0. */
final readonly class FaceReading
{
    public float $hour;

    public function __construct(
        #[Number('clock_h', min: 0, max: 12)] float $hour,
        #[Measure('out_mm', Quantity::Length)] public float $out,
    ) {
        $this->hour = fmod($hour, 12);
    }
}
