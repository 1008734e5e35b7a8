<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** How far a line leaves a pipe that lies straight between two of its places, at most, m. */
final readonly class OffLine
{
    /**
     * @param  float  $metres  in space
     * @param  float  $side  in plan, square to the pipe
     * @param  float  $level  upright
     */
    public function __construct(public float $metres = 0.0, public float $side = 0.0, public float $level = 0.0)
    {
    }
}
