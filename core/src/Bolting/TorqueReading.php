<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** The torque of one bolt in one pass; of a click wrench its setting. */
final readonly class TorqueReading
{
    public function __construct(
        #[Number('bolt', min: 1, whole: true)] public float $bolt,
        #[Number('pass', min: 1, whole: true)] public float $pass,
        #[Measure('torque_nm', Quantity::Torque, min: 0)] public float $torque,
        #[Instant('time')] public \DateTimeImmutable $time,
        #[Number('seq', min: 1, whole: true, about: 'that of the plan')] public ?float $seq = null,
    ) {
    }

    public function key(): string
    {
        return "{$this->pass}/{$this->bolt}";
    }
}
