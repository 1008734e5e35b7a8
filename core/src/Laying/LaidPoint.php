<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** A joint as it was levelled after it was laid. */
final readonly class LaidPoint
{
    public function __construct(
        #[Measure('chainage_m', Quantity::Length)] public float $chainage,
        #[Measure('design_m', Quantity::Length, about: 'invert by the plan')] public float $design,
        #[Measure('measured_m', Quantity::Length, about: 'invert as levelled')] public float $measured,
        #[Measure('line_offset_m', Quantity::Length, about: 'off the line, plus to the right')] public ?float $offset = null,
    ) {
    }

    public function error(): float
    {
        return $this->measured - $this->design;
    }
}
