<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** Taped diameter at a distance from the cut end. */
final readonly class ToeInStation
{
    public function __construct(
        #[Measure('x_mm', Quantity::Length, min: 0)] public float $x,
        #[Measure('od_mm', Quantity::Length, above: 0)] public float $od,
    ) {
    }
}
