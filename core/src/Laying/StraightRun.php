<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** How far an alignment runs straight to a corner, or on from it. */
final readonly class StraightRun
{
    /** @param  float  $metres  in space */
    public function __construct(public float $metres, public float $chainagePerMetre, public Direction $direction)
    {
    }
}
