<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Phases;

/** Blocks in a row that rise, fall or stay. */
final readonly class Run
{
    public const UP = 'up';

    public const DOWN = 'down';

    public const QUIET = 'quiet';

    /** @param  'up'|'down'|'quiet'  $way */
    public function __construct(public string $way, public int $from, public int $to)
    {
    }

    public function seconds(Blocks $blocks): float
    {
        return $blocks->endOf($this->to) - $blocks->starts[$this->from];
    }

    /** kPa, from its first block to its last */
    public function gain(Blocks $blocks): float
    {
        return $blocks->pressures[$this->to] - $blocks->pressures[$this->from];
    }

    /** @return list<float> */
    public function levels(Blocks $blocks): array
    {
        return \array_slice($blocks->pressures, $this->from, $this->to - $this->from + 1);
    }
}
