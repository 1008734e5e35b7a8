<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

/** How the number of a pipe is compared: "7", "07" and " 007 " painted on a pipe are one. */
final class PipeNumber
{
    public static function plain(string $typed): string
    {
        $spaced = mb_strtoupper((string) preg_replace('/\s+/u', ' ', trim($typed)));

        return preg_match('/^0*(\d+)$/', $spaced, $m) === 1 ? $m[1] : $spaced;
    }
}
