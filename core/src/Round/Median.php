<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

/** The middle of some values; the mean of the two in the middle of an even number. */
final class Median
{
    /** @param  non-empty-list<float>  $values */
    public static function of(array $values): float
    {
        sort($values);
        $n = count($values);

        return ($values[intdiv($n - 1, 2)] + $values[intdiv($n, 2)]) / 2;
    }
}
