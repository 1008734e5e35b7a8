<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

/** What comes in the place of a joint that is cut out. */
final readonly class CutOut
{
    /**
     * @param  int  $joints  2: with a piece of pipe between them; 1: with none; 0: another is made beside it
     * @param  float  $pieceM  length of the piece of pipe, m, where nothing else is said
     * @param  bool  $rejoins  it can be pulled apart instead, and joined again with the same pipes
     */
    public function __construct(public int $joints, public float $pieceM, public bool $rejoins)
    {
    }
}
