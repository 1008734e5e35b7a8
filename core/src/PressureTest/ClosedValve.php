<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** A closed metal-seated valve that bounds the section. */
final readonly class ClosedValve
{
    public function __construct(#[Measure('dn_mm', Quantity::Length, above: 0)] public float $dn)
    {
    }
}
