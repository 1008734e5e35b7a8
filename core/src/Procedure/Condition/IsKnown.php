<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Condition;

use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

/** Is something known, or not? The one condition that is always settled. */
final readonly class IsKnown implements Condition
{
    public function __construct(private Expression $of, private bool $wanted)
    {
    }

    public function holds(Known $known): bool
    {
        return ($this->of->of($known) !== null) === $this->wanted;
    }

    public function missing(Known $known): array
    {
        return [];
    }
}
