<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;

/**
 * What hangs on the line, a saddle or a restraint, and what it takes, s. It is made at one go, holds itself while it cools and needs
 * no set of clamps; not before the joint is cold on which it waits.
 */
final readonly class DayAttached
{
    /** @param  string  $host  of the joints that are still to be made the one that is cold before; empty: it waits for none */
    public function __construct(
        #[Text('joint')] public string $joint,
        #[Measure('prepare_min', Quantity::Time, min: 0, max: 1440)] public float $prepare,
        #[Measure('fit_min', Quantity::Time, min: 0, max: 1440)] public float $fit,
        #[Measure('fuse_min', Quantity::Time, min: 0, max: 1440)] public float $fuse,
        #[Measure('cool_min', Quantity::Time, min: 0, max: 2880)] public float $cool,
        #[Text('host', about: 'joint that is cold before')] public string $host = '',
    ) {
    }

    /** Of a crew, s. */
    public function hands(): float
    {
        return $this->prepare + $this->fit + $this->fuse;
    }
}
