<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

/** `timer`: a time to be waited for and the moment at which it ended. */
final readonly class Timer extends Answers
{
    public static function name(): string
    {
        return 'timer';
    }
}
