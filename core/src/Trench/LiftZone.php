<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** A part of the trench's height that is filled in lifts of one thickness. */
final readonly class LiftZone
{
    public function __construct(
        #[Measure('from_m', Quantity::Length, min: 0, max: 30)] public float $from,
        #[Measure('to_m', Quantity::Length, above: 0, max: 30)] public float $to,
        #[Measure('max_lift_m', Quantity::Length, above: 0, max: 3)] public float $thickest,
    ) {
    }
}
