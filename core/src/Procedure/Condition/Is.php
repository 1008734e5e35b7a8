<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Condition;

/** `is`: the same value. */
final readonly class Is extends Comparison
{
    protected function compare(mixed $found, mixed $with): bool
    {
        return self::same($found, $with);
    }
}
