<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Phases;

/** Finds the runs of a log; what is too short to be one is joined to its longer neighbour. */
final class Runs
{
    private const LEAST_S = 60.0;

    /**
     * @param  float  $rise  kPa/min: faster is a rise
     * @param  float  $fall  kPa/min: faster is a fall
     * @return non-empty-list<Run>
     */
    public static function of(Blocks $blocks, float $rise, float $fall): array
    {
        $ways = array_map(fn (float $slope) => match (true) {
            $slope > $rise => Run::UP,
            $slope < -$fall => Run::DOWN,
            default => Run::QUIET,
        }, $blocks->slopes());
        $runs = [new Run($ways[0], 0, 0)];
        foreach ($ways as $i => $way) {
            $runs = self::joined($runs, new Run($way, $i, $i));
        }
        while (\count($runs) > 1 && ($short = self::shortest($runs, $blocks)) !== null) {
            $runs = self::without($runs, $short, $blocks);
        }

        return $runs;
    }

    /**
     * @param  non-empty-list<Run>  $runs
     * @return non-empty-list<Run>
     */
    private static function joined(array $runs, Run $next): array
    {
        $last = $runs[\count($runs) - 1];
        if ($last->way !== $next->way) {
            return [...$runs, $next];
        }
        $runs[\count($runs) - 1] = new Run($last->way, $last->from, $next->to);

        return $runs;
    }

    /** @param  non-empty-list<Run>  $runs */
    private static function shortest(array $runs, Blocks $blocks): ?int
    {
        $seconds = array_map(fn (Run $run) => $run->seconds($blocks), $runs);
        $least = min($seconds);

        return $least < self::LEAST_S - 1e-6 ? (int) array_search($least, $seconds, true) : null;
    }

    /**
     * @param  non-empty-list<Run>  $runs
     * @return non-empty-list<Run>
     */
    private static function without(array $runs, int $short, Blocks $blocks): array
    {
        $before = $runs[$short - 1] ?? null;
        $after = $runs[$short + 1] ?? null;
        $isBefore = $after === null || ($before !== null && $before->seconds($blocks) >= $after->seconds($blocks));
        $run = $runs[$short];
        $runs[$short] = new Run($isBefore ? $before->way ?? $run->way : $after->way, $run->from, $run->to);
        $kept = [$runs[0]];
        foreach (\array_slice($runs, 1) as $next) {
            $kept = self::joined($kept, $next);
        }

        return $kept;
    }
}
