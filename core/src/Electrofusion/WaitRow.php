<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** One row of a waiting table: up to this pressure, wait this long. */
final readonly class WaitRow
{
    public function __construct(
        #[Measure('up_to_bar', Quantity::Pressure, above: 0)] public float $upTo,
        #[Measure('wait_s', Quantity::Time, min: 0)] public float $wait,
    ) {
    }
}
