<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** A stock bend that is set into a corner of the line. */
final readonly class PlacedBend
{
    public function __construct(
        #[Measure('at_m', Quantity::Length, about: 'chainage of the corner')] public float $at,
        #[Number('bend_deg', above: 0, max: 90)] public float $turn,
        #[Measure('leg_m', Quantity::Length, min: 0.02, max: 5, about: 'from its centre to the joint at either end')]
        public float $leg,
    ) {
    }
}
