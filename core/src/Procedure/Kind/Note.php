<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

/** `note`: what is only to be written down. */
final readonly class Note extends Answers
{
    public static function name(): string
    {
        return 'note';
    }
}
