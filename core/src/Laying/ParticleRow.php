<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** Sizes from one DN to another, both ends included, and the largest stone beside them. */
final readonly class ParticleRow
{
    public function __construct(
        #[Number('dn_to', above: 0)] public float $to,
        #[Measure('max_mm', Quantity::Length, above: 0)] public float $most,
        #[Number('dn_from', above: 0, about: 'left out: right above the row before')] public ?float $from = null,
    ) {
    }
}
