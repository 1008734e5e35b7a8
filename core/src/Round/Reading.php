<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Field\Number;

/** One value of any unit read at an angle round the pipe. */
final readonly class Reading
{
    public function __construct(
        #[Number('theta_deg', min: 0, below: 360)] public float $degrees,
        #[Number('value')] public float $value,
    ) {
    }
}
