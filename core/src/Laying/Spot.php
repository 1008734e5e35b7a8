<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** A place on an alignment. */
final readonly class Spot
{
    /**
     * @param  int  $part  of the alignment, counted from 0
     * @param  float  $chainage  along the line in plan, m
     * @param  float  $east  m, from the alignment's first point, like the two that follow
     */
    public function __construct(
        public int $part,
        public float $chainage,
        public float $east,
        public float $north,
        public float $level,
    ) {
    }

    /** True distance in space, m. */
    public function distance(self $other): float
    {
        return sqrt(($other->east - $this->east) ** 2 + ($other->north - $this->north) ** 2 + ($other->level - $this->level) ** 2);
    }
}
