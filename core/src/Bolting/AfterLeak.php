<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** A bolt that was tightened again because the joint leaked. */
final readonly class AfterLeak
{
    public function __construct(
        #[Number('bolt', min: 1, whole: true)] public float $bolt,
        #[Measure('torque_nm', Quantity::Torque, min: 0)] public float $torque,
        #[Measure('pressure_pa', Quantity::Pressure, min: 0)] public ?float $pressure = null,
        #[Instant('time')] public ?\DateTimeImmutable $time = null,
    ) {
    }
}
