<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** One preheating of a coupling: how long one has waited since, and the gap that was left (null: not felt yet). */
final readonly class Preheating
{
    public function __construct(
        #[Measure('waited_s', Quantity::Time, min: 0)] public float $waited,
        #[Measure('gap_mm', Quantity::Length, min: 0)] public ?float $gap = null,
    ) {
    }
}
