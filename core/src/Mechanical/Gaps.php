<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Refused;
use Diastoma\Core\Round\LengthReading;

/** Gaps read round a joint. */
final class Gaps
{
    /**
     * @param  list<float|int>|null  $plain  m
     * @param  list<LengthReading>|null  $readings  the same as they are recorded round the joint
     * @return list<float|int> m
     *
     * @throws Refused when both are given, or neither
     */
    public static function read(?array $plain, ?array $readings, string $key): array
    {
        if (($plain === null) === ($readings === null)) {
            throw Refused::field($key, "{$key} or readings is wanted: one of both.");
        }

        return $plain ?? array_map(fn (LengthReading $r) => $r->value, $readings ?? []);
    }

    /**
     * @param  list<float|int>  $gaps  m
     * @return float m, widest less narrowest
     *
     * @throws Refused when there is none, or one below nothing
     */
    public static function spread(array $gaps, string $key): float
    {
        if ($gaps === []) {
            throw Refused::field($key, "{$key} holds no reading.");
        }
        if (min($gaps) < 0) {
            throw Refused::field($key, "{$key} holds ".min($gaps).'; a gap is 0 or more.');
        }

        return (float) (max($gaps) - min($gaps));
    }
}
