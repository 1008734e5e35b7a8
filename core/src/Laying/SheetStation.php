<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** A place along the line for which levels are wanted. */
final readonly class SheetStation
{
    public function __construct(
        #[Measure('chainage_m', Quantity::Length)] public float $chainage,
        #[Measure('ground_m', Quantity::Length, about: 'level of the ground there')] public ?float $ground = null,
    ) {
    }
}
