<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

/** `check`: things to be looked at and answered. */
final readonly class Check extends Answers
{
    public static function name(): string
    {
        return 'check';
    }
}
