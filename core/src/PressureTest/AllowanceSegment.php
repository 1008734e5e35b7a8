<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** A stretch of one nominal size, by length or by number of gasketed joints. */
final readonly class AllowanceSegment
{
    public function __construct(
        #[Measure('dn_mm', Quantity::Length, above: 0, about: 'nominal, not the bore')] public float $dn,
        #[Measure('length_m', Quantity::Length, above: 0)] public ?float $length = null,
        #[Number('joints', min: 1, whole: true)] public ?float $joints = null,
    ) {
    }
}
