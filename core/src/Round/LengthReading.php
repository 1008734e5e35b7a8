<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** One length read at an angle round the pipe, inside in metres. */
final readonly class LengthReading
{
    public function __construct(
        #[Number('theta_deg', min: 0, below: 360)] public float $degrees,
        #[Measure('value_mm', Quantity::Length)] public float $value,
    ) {
    }
}
