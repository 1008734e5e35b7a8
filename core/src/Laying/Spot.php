<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** A place on an alignment. */
final readonly class Spot
{
    /**
     * @param  int  $part  of the alignment, counted from 0
     * @param  float  $chainage  along the line in plan, m
     * @param  bool  $isOff  it lies beside the line, where a pipe was laid off it
     * @param  float  $east  m, from the alignment's first point, like the two that follow
     */
    public function __construct(
        public int $part,
        public float $chainage,
        public float $east,
        public float $north,
        public float $level,
        public bool $isOff = false,
    ) {
    }

    /** Beside the line there, where something was laid off it: m to the right of that direction, and m up. */
    public function off(Direction $along, float $right, float $up): self
    {
        $azimuth = deg2rad($along->azimuth());

        return new self(
            $this->part,
            $this->chainage,
            $this->east + $right * cos($azimuth),
            $this->north - $right * sin($azimuth),
            $this->level + $up,
            true,
        );
    }

    /** True distance in space, m. */
    public function distance(self $other): float
    {
        return sqrt(($other->east - $this->east) ** 2 + ($other->north - $this->north) ** 2 + ($other->level - $this->level) ** 2);
    }
}
