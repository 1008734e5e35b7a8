<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

/** One way down into what was decoded from JSON. */
final class Walk
{
    /** @param  list<string>  $path */
    public static function down(mixed $from, array $path): mixed
    {
        foreach ($path as $key) {
            if (! \is_array($from)) {
                return null;
            }
            $from = $from[$key] ?? null;
        }

        return $from;
    }
}
