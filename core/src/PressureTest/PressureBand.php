<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Compare;

/** Between what a pressure is to stay, kPa; the borders belong to it. */
final readonly class PressureBand
{
    /** @param  float  $start  from which it counts as raised: it is pumped up to the target, and not to the border of the band */
    public function __construct(public float $target, public float $least, public float $most, private float $start)
    {
    }

    public function isRaised(float $pressure): bool
    {
        return Compare::atMost($this->start, $pressure);
    }

    public function isUnder(float $pressure): bool
    {
        return ! Compare::atMost($this->least, $pressure);
    }

    public function isOver(float $pressure): bool
    {
        return ! Compare::atMost($pressure, $this->most);
    }

    public function holds(float $pressure): bool
    {
        return ! $this->isUnder($pressure) && ! $this->isOver($pressure);
    }

    /** kPa outside; 0 inside */
    public function off(float $pressure): float
    {
        return $this->holds($pressure) ? 0.0 : max($this->least - $pressure, $pressure - $this->most);
    }

    /** @param  list<list<float>>  $samples  [min, kPa, …] */
    public function wasReached(array $samples): bool
    {
        return array_filter($samples, fn (array $row) => $this->isRaised($row[1])) !== [];
    }
}
