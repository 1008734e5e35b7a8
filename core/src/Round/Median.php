<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

/** The middle of some values; the mean of the two in the middle of an even number. */
final class Median
{
    /**
     * @param  list<float>  $values
     *
     * @throws \LengthException for no value at all
     */
    public static function of(array $values): float
    {
        sort($values);
        $n = \count($values);
        if ($n === 0) {
            throw new \LengthException('The middle of nothing');
        }

        return ($values[intdiv($n - 1, 2)] + $values[intdiv($n, 2)]) / 2;
    }
}
