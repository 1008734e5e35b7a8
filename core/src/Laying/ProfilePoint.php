<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** Where two grades of a line meet, with a parabola about it where a length of curve is given. */
final readonly class ProfilePoint
{
    public function __construct(
        #[Measure('chainage_m', Quantity::Length)] public float $chainage,
        #[Measure('invert_m', Quantity::Length)] public float $invert,
        #[Measure('curve_length_m', Quantity::Length, min: 0)] public float $curve = 0.0,
    ) {
    }
}
