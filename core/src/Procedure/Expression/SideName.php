<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/** How a person calls the side of a step: `{side}` in a sentence. */
final readonly class SideName implements Expression
{
    public function __construct(private ?string $side)
    {
    }

    public function of(Known $known): string
    {
        return $known->sideName($this->side);
    }

    public function missing(Known $known): array
    {
        return [];
    }

    public function isRuledOut(Known $known): bool
    {
        return false;
    }
}
