<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/** The moment of the judgement: `$now`. ISO 8601 with its offset. */
final readonly class Now implements Expression
{
    public function of(Known $known): string
    {
        return $known->now;
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
