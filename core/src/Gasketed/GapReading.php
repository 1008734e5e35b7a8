<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** Distance from bell face to mark, or between two ends, read at a clock hour. */
final readonly class GapReading
{
    public function __construct(
        #[Number('hour', min: 0, max: 12)] public float $hour,
        #[Measure('gap_m', Quantity::Length, min: 0, max: 0.5)] public float $gap,
    ) {
    }
}
