<?php

declare(strict_types=1);

/**
 * Where two answers differ first, in words; null where they do not. One look at the whole, and not an expectation for each of a
 * hundred thousand figures.
 *
 * @param  float  $near  so far two figures may lie apart, as a share of the one that is expected
 * @param  float  $least  of which that share is taken where the figure is smaller
 */
function difference(mixed $is, mixed $expected, string $where, float $near, float $least): ?string
{
    if (is_array($expected)) {
        if (! is_array($is) || array_keys($is) !== array_keys($expected)) {
            return "{$where}: other keys";
        }
        foreach ($expected as $key => $value) {
            $found = difference($is[$key], $value, "{$where} › {$key}", $near, $least);
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }
    $isSame = is_int($expected) || is_float($expected)
        ? is_numeric($is) && abs((float) $is - $expected) <= $near * max($least, abs($expected))
        : $is === $expected;

    return $isSame ? null : "{$where}: ".json_encode($is).' instead of '.json_encode($expected);
}
