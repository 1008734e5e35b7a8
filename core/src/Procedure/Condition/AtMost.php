<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Condition;

/** `max`: no more than this number. */
final readonly class AtMost extends Comparison
{
    protected function compare(mixed $found, mixed $with): ?bool
    {
        return self::isNumber($found) && self::isNumber($with) ? $found <= $with : null;
    }
}
