<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Refused;
use Diastoma\Core\Round\Median;

/** A cleaned log: rows of [s, kPa, °C|null, litres|null], with counts of all that was done to it. */
final class CleanLog
{
    private const GAP_INTERVALS = 5;

    private const SPIKE_HALF_WINDOW = 3;

    /** The longest that a knock or a loose plug lies apart from the course (common practice). */
    public const SPIKE_MOST_S = 30.0;

    private const FLAT_SAMPLES = 20;

    private const FLAT_S = 600;

    /**
     * @param  list<array{float, float, float|null, float|null}>  $rows
     * @param  list<array{float, float}>  $gapsAt  from, to
     * @param  list<array{from_s: float, to_s: float, lowest_kpa: float, highest_kpa: float}>  $excursions
     *     runs that lie apart for longer than a spike: real until somebody says otherwise
     * @param  list<string>  $warnings
     */
    private function __construct(
        public readonly array $rows,
        public readonly int $samples,
        public readonly int $missing,
        public readonly int $duplicates,
        public readonly int $spikes,
        public readonly int $clockJumps,
        public readonly float $interval,
        public readonly array $gapsAt,
        public readonly array $excursions,
        public readonly array $warnings,
    ) {
    }

    /**
     * @param  float  $resolution  kPa
     * @param  float|null  $fullScale  kPa
     * @param  float  $spikeMost  s; what lies apart for longer is no spike, and nothing of it is dropped
     */
    public static function of(
        LoggerCsv $log,
        float $resolution = 1.0,
        ?float $fullScale = null,
        float $spikeMost = self::SPIKE_MOST_S,
    ): self {
        [$rows, $jumps] = self::straightenClock($log->rows);
        [$rows, $duplicates] = self::mergeSameTime($rows);
        $interval = self::interval($rows);
        [$rows, $spikes, $excursions] = self::dropSpikes($rows, $resolution, $interval, $spikeMost);
        $gaps = [];
        for ($i = 1, $n = \count($rows); $i < $n; $i++) {
            if ($interval > 0 && $rows[$i][0] - $rows[$i - 1][0] > self::GAP_INTERVALS * $interval + 1e-9) {
                $gaps[] = [$rows[$i - 1][0], $rows[$i][0]];
            }
        }

        return new self(
            $rows,
            $log->count,
            $log->missing,
            $duplicates,
            $spikes,
            $jumps,
            $interval,
            $gaps,
            $excursions,
            self::stuck($rows, $interval, $fullScale),
        );
    }

    /** @return array<string, mixed> */
    public function summary(): array
    {
        $last = $this->rows[\count($this->rows) - 1];

        return [
            'samples' => $this->samples,
            'missing' => $this->missing,
            'duplicates' => $this->duplicates,
            'spikes' => $this->spikes,
            'excursions' => $this->excursions,
            'gaps' => \count($this->gapsAt),
            'clock_jumps' => $this->clockJumps,
            'kept' => \count($this->rows),
            'interval_s' => $this->interval,
            'first_kpa' => $this->rows[0][1],
            'last_kpa' => $last[1],
            'span_s' => $last[0] - $this->rows[0][0],
            'warnings' => $this->warnings,
        ];
    }

    /**
     * A step back of an hour less one interval is the clock put back; any other step back is refused.
     *
     * @param  list<array{float, float, float|null, float|null}>  $rows
     * @return array{list<array{float, float, float|null, float|null}>, int}
     */
    private static function straightenClock(array $rows): array
    {
        $interval = null;
        $shift = 0.0;
        $jumps = 0;
        $before = null;
        foreach ($rows as $i => $row) {
            $time = $row[0] + $shift;
            if ($before !== null && $time < $before - 1e-9) {
                $back = $before - $time;
                $interval ??= self::intervalForward($rows);
                if (abs($back - (3600 - $interval)) > 2 * $interval) {
                    throw Refused::field('time', sprintf('time, line %d: the clock steps back by %g s.', $i + 2, $back));
                }
                $shift += 3600;
                $jumps++;
                $time += 3600;
            }
            $before = $time;
            if ($shift > 0) {
                $rows[$i][0] = $time;
            }
        }

        return [$rows, $jumps];
    }

    /**
     * @param  list<array{float, float, float|null, float|null}>  $rows
     * @return array{list<array{float, float, float|null, float|null}>, int}
     */
    private static function mergeSameTime(array $rows): array
    {
        $merged = [];
        $duplicates = 0;
        for ($i = 0, $n = \count($rows); $i < $n; $i = $next) {
            $row = $rows[$i];
            for ($next = $i + 1; $next < $n && abs($rows[$next][0] - $row[0]) < 1e-9; $next++) {
                $duplicates++;
            }
            if ($next > $i + 1) {
                $row[1] = Median::of(array_column(\array_slice($rows, $i, $next - $i), 1));
            }
            $merged[] = $row;
        }

        return [$merged, $duplicates];
    }

    /** @param  list<array{float, float, float|null, float|null}>  $rows */
    private static function intervalForward(array $rows): float
    {
        $steps = [];
        for ($i = 1, $n = \count($rows); $i < $n; $i++) {
            if ($rows[$i][0] > $rows[$i - 1][0]) {
                $steps[] = $rows[$i][0] - $rows[$i - 1][0];
            }
        }

        return $steps === [] ? 0.0 : Median::of($steps);
    }

    /** @param  list<array{float, float, float|null, float|null}>  $rows */
    private static function interval(array $rows): float
    {
        $steps = [];
        for ($i = 1, $n = \count($rows); $i < $n; $i++) {
            $steps[] = $rows[$i][0] - $rows[$i - 1][0];
        }

        return $steps === [] ? 0.0 : Median::of($steps);
    }

    /**
     * @param  list<array{float, float, float|null, float|null}>  $rows
     * @return array{
     *     list<array{float, float, float|null, float|null}>, int,
     *     list<array{from_s: float, to_s: float, lowest_kpa: float, highest_kpa: float}>
     * }
     */
    private static function dropSpikes(array $rows, float $resolution, float $interval, float $most): array
    {
        $end = \count($rows) - self::SPIKE_HALF_WINDOW;
        $spikes = 0;
        $excursions = [];
        $start = $rows[0][0];
        $drop = [];
        for ($i = self::SPIKE_HALF_WINDOW; $i < $end; $i++) {
            $from = $i;
            while ($i < $end && ! self::amidNeighbours($rows, $i, 5 * $resolution) && self::isSpike($rows, $i, $resolution)) {
                $i++;
            }
            if ($i === $from) {
                continue;
            }
            if ($rows[$i - 1][0] - $rows[$from][0] + $interval <= $most + 1e-9) {
                $spikes += $i - $from;
                $drop += array_fill($from, $i - $from, true);
            } else {
                $apart = array_column(\array_slice($rows, $from, $i - $from), 1);
                $excursions[] = [
                    'from_s' => $rows[$from][0] - $start,
                    'to_s' => $rows[$i - 1][0] - $start,
                    'lowest_kpa' => min([INF, ...$apart]),
                    'highest_kpa' => max([-INF, ...$apart]),
                ];
            }
        }

        return [$drop === [] ? $rows : array_values(array_diff_key($rows, $drop)), $spikes, $excursions];
    }

    /**
     * With three of its neighbours this near, the median of seven is no farther: most samples need no sorting.
     *
     * @param  list<array{float, float, float|null, float|null}>  $rows
     */
    private static function amidNeighbours(array $rows, int $i, float $near): bool
    {
        $p = $rows[$i][1];

        return abs($rows[$i - 1][1] - $p) <= $near && abs($rows[$i + 1][1] - $p) <= $near && abs($rows[$i + 2][1] - $p) <= $near;
    }

    /** @param  list<array{float, float, float|null, float|null}>  $rows */
    private static function isSpike(array $rows, int $i, float $resolution): bool
    {
        $window = [];
        for ($j = $i - self::SPIKE_HALF_WINDOW; $j <= $i + self::SPIKE_HALF_WINDOW; $j++) {
            $window[] = $rows[$j][1];
        }
        sort($window);
        $median = $window[self::SPIKE_HALF_WINDOW];
        $off = array_map(fn ($p) => abs($p - $median), $window);
        sort($off);

        return abs($rows[$i][1] - $median) > max(5 * 1.4826 * $off[self::SPIKE_HALF_WINDOW], 5 * $resolution);
    }

    /**
     * @param  list<array{float, float, float|null, float|null}>  $rows
     * @return list<string>
     */
    private static function stuck(array $rows, float $interval, ?float $fullScale): array
    {
        $warnings = [];
        $from = 0;
        $least = max(self::FLAT_SAMPLES * $interval, self::FLAT_S);
        for ($i = 1, $n = \count($rows); $i <= $n; $i++) {
            if ($i < $n && abs($rows[$i][1] - $rows[$from][1]) < 1e-9) {
                continue;
            }
            $to = $i - 1;
            if ($rows[$to][0] - $rows[$from][0] > $least) {
                if ($fullScale !== null && $rows[$from][1] >= $fullScale * (1 - 1e-9)) {
                    $warnings[] = 'sensor-saturated';
                } elseif (self::moved($rows, $from, $to, 2, 0.2) || self::moved($rows, $from, $to, 3, 0.1)) {
                    $warnings[] = 'sensor-flat';
                }
            }
            $from = $i;
        }

        return array_values(array_unique($warnings));
    }

    /** @param  list<array{float, float, float|null, float|null}>  $rows */
    private static function moved(array $rows, int $from, int $to, int $column, float $by): bool
    {
        $values = array_filter(array_column(\array_slice($rows, $from, $to - $from + 1), $column), fn ($v) => $v !== null);

        return $values !== [] && max($values) - min($values) > $by;
    }
}
