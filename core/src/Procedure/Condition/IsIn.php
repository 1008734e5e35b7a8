<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Condition;

/** `in`: one of several values. */
final readonly class IsIn extends Comparison
{
    protected function compare(mixed $found, mixed $with): ?bool
    {
        return \is_array($with) ? array_filter($with, fn (mixed $one) => self::same($found, $one)) !== [] : null;
    }
}
