<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/** A path or form of an older frozen text that leads nowhere: never known. */
final readonly class Unresolved implements Expression
{
    public function __construct(private string $text)
    {
    }

    public function of(Known $known): null
    {
        return null;
    }

    public function missing(Known $known): array
    {
        return [$this->text];
    }

    public function isRuledOut(Known $known): bool
    {
        return false;
    }
}
