<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/** What the file itself says: a number, a word, a parameter. */
final readonly class Constant implements Expression
{
    public function __construct(public mixed $value)
    {
    }

    public function of(Known $known): mixed
    {
        return $this->value;
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
