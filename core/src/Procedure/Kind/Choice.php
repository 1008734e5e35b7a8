<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

/** `choice`: one thing chosen out of several. */
final readonly class Choice extends Answers
{
    public static function name(): string
    {
        return 'choice';
    }
}
