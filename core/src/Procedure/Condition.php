<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/**
 * When a step is asked for, a calculation run, a caution shown: a list of conditions that must all hold, each
 * `{"of": path, …}` with `is`, `not`, `in`, `min`, `max` or `known`, or `{"any": […]}` of which one must.
 *
 * What is not known fulfils nothing but `known: false`.
 */
final class Condition
{
    /** What a condition may say. */
    public const WORDS = ['of', 'is', 'not', 'in', 'min', 'max', 'known', 'any'];

    /**
     * @param  list<array<string, mixed>>  $conditions
     * @param  callable(mixed): mixed  $value  resolves a path
     */
    public static function holds(array $conditions, callable $value): bool
    {
        foreach ($conditions as $condition) {
            if (! self::one($condition, $value)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array<string, mixed>  $condition
     * @param  callable(mixed): mixed  $value
     */
    private static function one(array $condition, callable $value): bool
    {
        if (isset($condition['any'])) {
            foreach ($condition['any'] as $other) {
                if (self::one($other, $value)) {
                    return true;
                }
            }

            return false;
        }
        $found = $value($condition['of']);
        if (array_key_exists('known', $condition) && ($found !== null) !== $condition['known']) {
            return false;
        }
        if (array_key_exists('is', $condition) && $found !== $value($condition['is'])) {
            return false;
        }
        if (array_key_exists('not', $condition) && ($found === null || $found === $value($condition['not']))) {
            return false;
        }
        if (isset($condition['in']) && ! in_array($found, $condition['in'], true)) {
            return false;
        }

        return ! isset($condition['min']) && ! isset($condition['max'])
            || is_numeric($found) && $found >= ($value($condition['min'] ?? null) ?? -INF) && $found <= ($value($condition['max'] ?? null) ?? INF);
    }
}
