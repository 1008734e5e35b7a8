<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** A place of the laid line as it was levelled. */
final readonly class LevelledPlace
{
    public function __construct(
        #[Measure('at_m', Quantity::Length, about: 'chainage')] public float $at,
        #[Measure('level_m', Quantity::Length, about: 'invert as levelled')] public float $level,
        #[Measure('off_mm', Quantity::Length, about: 'off the line, plus to the right')] public ?float $off = null,
    ) {
    }
}
