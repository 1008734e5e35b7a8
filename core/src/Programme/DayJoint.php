<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;

/** What a joint of the day takes, s: of the crew before it goes into the clamps, in them, of the box, and alone while it cools. */
final readonly class DayJoint
{
    public function __construct(
        #[Text('joint')] public string $joint,
        #[Measure('prepare_min', Quantity::Time, min: 0, max: 1440)] public float $prepare,
        #[Measure('fit_min', Quantity::Time, min: 0, max: 1440)] public float $fit,
        #[Measure('fuse_min', Quantity::Time, min: 0, max: 1440)] public float $fuse,
        #[Measure('cool_min', Quantity::Time, min: 0, max: 2880)] public float $cool,
    ) {
    }
}
