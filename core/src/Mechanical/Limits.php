<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Compare;
use Diastoma\Core\Refused;

/** What limits must be among themselves. */
final class Limits
{
    /**
     * @param  string  $key  of the upper one
     *
     * @throws Refused when the lower limit lies above the upper one
     */
    public static function mustRise(?float $least, ?float $most, string $key): void
    {
        if ($least !== null && $most !== null && ! Compare::atMost($least, $most)) {
            throw Refused::field($key, "{$key} is {$most}, less than the lower limit, {$least}.");
        }
    }
}
