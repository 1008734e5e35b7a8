<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** A point as the surveyor gives it, m. */
final readonly class SurveyPoint
{
    public function __construct(
        #[Measure('e_m', Quantity::Length)] public float $east,
        #[Measure('n_m', Quantity::Length)] public float $north,
        #[Measure('z_m', Quantity::Length)] public float $level,
    ) {
    }

    public function distance(self $other): float
    {
        return sqrt(($other->east - $this->east) ** 2 + ($other->north - $this->north) ** 2 + ($other->level - $this->level) ** 2);
    }

    public function inPlan(self $other): float
    {
        return hypot($other->east - $this->east, $other->north - $this->north);
    }
}
