<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** A pipe or a part of one in a plan. */
final readonly class Piece
{
    /**
     * @param  float  $length  laying length, m
     * @param  float  $stock  length of the pipe that it is or is cut from, m
     */
    public function __construct(public float $length, public float $stock)
    {
    }

    public function isCut(): bool
    {
        return $this->length !== $this->stock;
    }
}
