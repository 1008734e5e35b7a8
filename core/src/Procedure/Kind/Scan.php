<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

/** `scan`: a code to be scanned. */
final readonly class Scan extends Answers
{
    public static function name(): string
    {
        return 'scan';
    }
}
