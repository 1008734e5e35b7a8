<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

/**
 * A log of many readings, thinned so that nothing that was seen is lost to a judgement: of each stretch of time its lowest and
 * its highest reading stay, as they were read; so do the first and the last of all, and both sides of every gap.
 */
final class ThinLog
{
    /** Readings that a test carries; a log of a day by the second is thinned, one of a shift is not. */
    public const MOST = 50_000;

    /**
     * @param  float  $gap  s; a longer silence is a gap
     * @param  int  $most  about as many readings stay, at least 8
     */
    public static function of(LogColumns $log, float $gap, int $most = self::MOST): LogColumns
    {
        $count = $log->count();
        if ($count <= $most) {
            return $log;
        }
        $first = $log->times[0];
        $length = ($log->times[$count - 1] - $first) / (intdiv($most, 2) - 1);
        $left = [];
        $from = 0;
        for ($i = 1; $i <= $count; $i++) {
            $ends = $i === $count
                || (int) (($log->times[$i] - $first) / $length) !== (int) (($log->times[$from] - $first) / $length)
                || $gap < $log->times[$i] - $log->times[$i - 1];
            if ($ends) {
                $left += self::between($log, $from, $i - 1, $gap);
                $from = $i;
            }
        }

        return $log->without($left);
    }

    /** @return array<int, true> places of a stretch that say nothing more than its lowest and highest */
    private static function between(LogColumns $log, int $from, int $to, float $gap): array
    {
        $lowest = $highest = $from;
        for ($i = $from; $i <= $to; $i++) {
            $lowest = $log->pressures[$i] < $log->pressures[$lowest] ? $i : $lowest;
            $highest = $log->pressures[$i] > $log->pressures[$highest] ? $i : $highest;
        }
        $stay = [$lowest => true, $highest => true];
        // Where the log begins, ends or is silent its readings bound what is not known.
        if ($gap < $log->times[$from] - ($log->times[$from - 1] ?? -INF)) {
            $stay[$from] = true;
        }
        if ($gap < ($log->times[$to + 1] ?? INF) - $log->times[$to]) {
            $stay[$to] = true;
        }

        return array_diff_key(array_fill($from, $to - $from + 1, true), $stay);
    }
}
