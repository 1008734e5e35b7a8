<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

/** What there is for the day, and when nobody works. Times in s from its beginning. */
final readonly class DayMeans
{
    /**
     * @param  float  $move  to take clamps from one joint to the next, s
     * @param  list<array{float, float}>  $pauses  from, to, s, rising
     */
    public function __construct(
        public int $crews,
        public int $clamps,
        public int $boxes,
        public float $move,
        public array $pauses = [],
    ) {
    }

    /** The first moment from which hands are free for so long. */
    public function open(float $from, float $for): float
    {
        foreach ($this->pauses as [$begins, $ends]) {
            if ($from < $ends && $from + $for > $begins + 1e-9) {
                $from = max($from, $ends);
            }
        }

        return $from;
    }

    public function with(int $crews = 0, int $clamps = 0, int $boxes = 0): self
    {
        return new self($this->crews + $crews, $this->clamps + $clamps, $this->boxes + $boxes, $this->move, $this->pauses);
    }
}
