<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;

/**
 * What a joint of the day takes, s: of the crew before it goes into the clamps, in them, of the box, and alone while it cools; before
 * all that, of the plant that opens the trench and sets the pipe.
 */
final readonly class DayJoint
{
    public function __construct(
        #[Text('joint')] public string $joint,
        #[Measure('prepare_min', Quantity::Time, min: 0, max: 1440)] public float $prepare,
        #[Measure('fit_min', Quantity::Time, min: 0, max: 1440)] public float $fit,
        #[Measure('fuse_min', Quantity::Time, min: 0, max: 1440)] public float $fuse,
        #[Measure('cool_min', Quantity::Time, min: 0, max: 2880)] public float $cool,
        #[Measure('open_min', Quantity::Time, min: 0, max: 1440, about: 'of the plant: trench open, pipe in it')]
        public float $open = 0.0,
    ) {
    }

    /** Of a crew, s. */
    public function hands(): float
    {
        return $this->prepare + $this->fit + $this->fuse;
    }

    /** In its clamps, s. */
    public function clamped(): float
    {
        return $this->fit + $this->fuse + $this->cool;
    }
}
