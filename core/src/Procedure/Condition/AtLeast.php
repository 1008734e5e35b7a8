<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Condition;

/** `min`: no less than this number. */
final readonly class AtLeast extends Comparison
{
    protected function compare(mixed $found, mixed $with): ?bool
    {
        return self::isNumber($found) && self::isNumber($with) ? $found >= $with : null;
    }
}
