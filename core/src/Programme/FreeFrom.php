<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

/** When each of several that can do the same is free, s. */
final class FreeFrom
{
    /**
     * Of those that are free by then the one that became so last is taken: the others may still do something before a pause.
     *
     * @param  list<float>  $free  rising
     * @return list<float> rising
     */
    public static function taken(array $free, float $from, float $until): array
    {
        if ($free === []) {
            return [];
        }
        $last = 0;
        foreach ($free as $i => $time) {
            if ($time <= $from + 1e-9) {
                $last = $i;
            }
        }
        $free[$last] = $until;
        sort($free);

        return $free;
    }
}
