<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** Pipes to hand of one laying length. */
final readonly class StockPipe
{
    public function __construct(
        #[Measure('length_m', Quantity::Length, min: 0.5, max: 20)] public float $length,
        #[Number('count', min: 0, max: 1e6, whole: true, about: 'left out: plenty')] public ?float $count = null,
    ) {
    }
}
