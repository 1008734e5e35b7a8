<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Round\Clock;
use Diastoma\Core\Units\Quantity;

/** A diameter across the pipe; the direction as an angle or as a clock hour. */
final readonly class DiameterReading
{
    /** @var float degrees, modulo 180 */
    public float $direction;

    public function __construct(
        #[Measure('d_mm', Quantity::Length)] public float $diameter,
        #[Number('angle_deg', min: 0, max: 360)] ?float $angle = null,
        #[Number('clock_h', min: 0, max: 12)] ?float $hour = null,
    ) {
        $this->direction = fmod(Clock::place($angle, $hour), 180);
    }
}
