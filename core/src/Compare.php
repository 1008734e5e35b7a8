<?php

declare(strict_types=1);

namespace Diastoma\Core;

/**
 * Comparison with a limit: equal is inside, and binary rounding does not decide.
 *
 * Slack: 1e-9 of the larger number, at least 1e-12 (metres, pascals …: SI inside).
 */
final class Compare
{
    public static function slack(float ...$numbers): float
    {
        $largest = 0.0;
        foreach ($numbers as $number) {
            $largest = max($largest, abs($number));
        }

        return max(1e-12, 1e-9 * $largest);
    }

    /** value <= limit; with $strictly, value < limit. */
    public static function atMost(float $value, float $limit, bool $strictly = false): bool
    {
        // Most values are clear of their limit: what the slack cannot turn needs none.
        if ($strictly ? $value >= $limit : $value <= $limit) {
            return ! $strictly;
        }
        $slack = self::slack($value, $limit);

        return $strictly ? $value < $limit - $slack : $value <= $limit + $slack;
    }

    public static function atLeast(float $value, float $limit): bool
    {
        return self::atMost($limit, $value);
    }

    public static function equal(float $a, float $b): bool
    {
        return abs($a - $b) <= self::slack($a, $b);
    }
}
