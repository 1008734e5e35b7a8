<?php

declare(strict_types=1);

namespace Diastoma\Core\Tapping;

use Diastoma\Core\Calculation\Field\Number;

/** A hole in the main: where along it, and where round it. */
final readonly class Tap
{
    public function __construct(
        #[Number('chainage_m')] public float $chainage,
        #[Number('clock_deg', min: 0, max: 360, about: '0: top')] public float $clock,
    ) {
    }

    /** degrees, the short way round */
    public function turnedFrom(self $other): float
    {
        $difference = fmod(abs($this->clock - $other->clock), 360);

        return min($difference, 360 - $difference);
    }
}
