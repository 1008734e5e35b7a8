<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

/** What every judgement of a hold asks of its readings. */
final class Series
{
    /**
     * The greatest fall of a reading below an earlier one; 0 when nothing ever fell.
     *
     * @param  list<float>  $pressures  in order of time
     */
    public static function greatestFall(array $pressures): float
    {
        $highest = -INF;
        $fall = 0.0;
        foreach ($pressures as $pressure) {
            $highest = max($highest, $pressure);
            $fall = max($fall, $highest - $pressure);
        }

        return $fall;
    }

    /**
     * The pressure at a time, on the straight line between its neighbours.
     *
     * @param  non-empty-list<list<float>>  $readings  [time, pressure], time rising
     * @param  float  $time  from the first to the last of them
     */
    public static function at(array $readings, float $time): float
    {
        $before = $readings[0];
        foreach ($readings as $row) {
            if ($row[0] >= $time) {
                return $row[0] > $before[0] ? $before[1] + ($time - $before[0]) / ($row[0] - $before[0]) * ($row[1] - $before[1]) : $row[1];
            }
            $before = $row;
        }

        return $before[1];
    }

    /**
     * The longest time between two readings, in the unit of their times.
     *
     * @param  list<list<float>>  $readings  [time, …], time rising
     */
    public static function longestGap(array $readings): float
    {
        $longest = 0.0;
        for ($i = 1, $n = \count($readings); $i < $n; $i++) {
            $longest = max($longest, $readings[$i][0] - $readings[$i - 1][0]);
        }

        return $longest;
    }
}
