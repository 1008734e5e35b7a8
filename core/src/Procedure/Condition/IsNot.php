<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Condition;

/** `not`: another value. */
final readonly class IsNot extends Comparison
{
    protected function compare(mixed $found, mixed $with): bool
    {
        return ! self::same($found, $with);
    }
}
