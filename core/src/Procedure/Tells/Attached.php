<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

/** Joints of their own that hang on both pipe ends of a joint. */
final readonly class Attached
{
    /**
     * @param  string  $place  of the procedures by which they are made
     * @param  int  $eachSide  how many are added at once on each end
     */
    public function __construct(public string $place, public int $eachSide)
    {
    }
}
