<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** A point of the section with what it must see at least and may see at most (gauge). */
final readonly class LevelPoint
{
    public function __construct(
        #[Measure('elevation_m', Quantity::Length)] public float $elevation,
        #[Measure('p_min_kpa', Quantity::Pressure, min: 0)] public ?float $min = null,
        #[Measure('p_max_kpa', Quantity::Pressure, min: 0)] public ?float $max = null,
    ) {
    }
}
