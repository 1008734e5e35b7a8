<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** How far the plan has come on one of its ways: the joint reached, the last pipe's direction, what is left of the stock. */
final readonly class LayState
{
    /**
     * @param  int  $trail  where its pieces are written down
     * @param  int  $straight  part of the line that the last pipe lies wholly on, straight; -1: none
     * @param  list<int|null>  $left  of each length
     * @param  float  $angle  greatest so far, degrees
     * @param  bool  $isHalved  its last piece is the first of two equal ones: the next one ends the line
     */
    public function __construct(
        public Spot $joint,
        public ?Direction $last,
        public int $straight,
        public int $trail,
        public array $left,
        public int $cuts = 0,
        public float $angle = 0.0,
        public float $waste = 0.0,
        public bool $isHalved = false,
    ) {
    }
}
