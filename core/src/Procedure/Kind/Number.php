<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

/** `number`: figures to be typed. */
final readonly class Number extends Answers
{
    public static function name(): string
    {
        return 'number';
    }
}
