<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Refused;
use Diastoma\Core\Round\Median;

/** A cleaned log, with counts of all that was done to it. */
final class CleanLog
{
    /** A silence of more than as many intervals is a gap. */
    public const GAP_INTERVALS = 5;

    private const SPIKE_HALF_WINDOW = 3;

    /** The longest that a knock or a loose plug lies apart from the course (common practice). */
    public const SPIKE_MOST_S = 30.0;

    private const FLAT_SAMPLES = 20;

    private const FLAT_S = 600;

    /**
     * @param  list<array{float, float}>  $gapsAt  from, to
     * @param  list<array{from_s: float, to_s: float, lowest_kpa: float, highest_kpa: float}>  $excursions
     *     runs that lie apart for longer than a spike: real until somebody says otherwise
     * @param  list<string>  $warnings
     */
    private function __construct(
        public readonly LogColumns $columns,
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
        [$columns, $jumps] = self::straightenClock($log->columns);
        [$columns, $duplicates] = self::mergeSameTime($columns);
        $interval = self::interval($columns->times);
        [$drop, $spikes, $excursions] = self::spikes($columns, $resolution, $interval, $spikeMost);
        $columns = $columns->without($drop);

        return new self(
            $columns,
            $log->count,
            $log->missing,
            $duplicates,
            $spikes,
            $jumps,
            $interval,
            self::gaps($columns->times, $interval),
            $excursions,
            self::stuck($columns, $interval, $fullScale),
        );
    }

    /** @return list<array{float, float, float|null, float|null}> [s, kPa, °C, litres] */
    public function rows(): array
    {
        return $this->columns->rows();
    }

    /** @return array<string, mixed> */
    public function summary(): array
    {
        [$times, $pressures] = [$this->columns->times, $this->columns->pressures];
        $last = $this->columns->count() - 1;

        return [
            'samples' => $this->samples,
            'missing' => $this->missing,
            'duplicates' => $this->duplicates,
            'spikes' => $this->spikes,
            'excursions' => $this->excursions,
            'gaps' => \count($this->gapsAt),
            'clock_jumps' => $this->clockJumps,
            'kept' => $last + 1,
            'interval_s' => $this->interval,
            'first_kpa' => $pressures[0],
            'last_kpa' => $pressures[$last],
            'span_s' => $times[$last] - $times[0],
            'warnings' => $this->warnings,
        ];
    }

    /**
     * A step back of an hour less one interval is the clock put back; any other step back is refused.
     *
     * @return array{LogColumns, int}
     */
    private static function straightenClock(LogColumns $log): array
    {
        $times = $log->times;
        $interval = null;
        $shift = 0.0;
        $jumps = 0;
        $before = null;
        foreach ($log->times as $i => $said) {
            $time = $said + $shift;
            if ($before !== null && $time < $before - 1e-9) {
                $back = $before - $time;
                $interval ??= self::interval($log->times, true);
                if (abs($back - (3600 - $interval)) > 2 * $interval) {
                    throw Refused::field('time', sprintf('time, line %d: the clock steps back by %g s.', $i + 2, $back));
                }
                $shift += 3600;
                $jumps++;
                $time += 3600;
            }
            $before = $time;
            if ($shift > 0) {
                $times[$i] = $time;
            }
        }

        return [$jumps === 0 ? $log : $log->at(array_values($times)), $jumps];
    }

    /**
     * Of several readings of one moment the first stands, with the median of their pressures.
     *
     * @return array{LogColumns, int}
     */
    private static function mergeSameTime(LogColumns $log): array
    {
        $pressures = $log->pressures;
        $drop = [];
        for ($i = 0, $n = $log->count(); $i < $n; $i = $next) {
            for ($next = $i + 1; $next < $n && abs($log->times[$next] - $log->times[$i]) < 1e-9; $next++) {
                $drop[$next] = true;
            }
            if ($next > $i + 1) {
                $pressures[$i] = Median::of(\array_slice($log->pressures, $i, $next - $i));
            }
        }
        if ($drop === []) {
            return [$log, 0];
        }

        return [(new LogColumns($log->times, array_values($pressures), $log->temperatures, $log->litres))->without($drop), \count($drop)];
    }

    /**
     * Median of the steps.
     *
     * @param  list<float>  $times
     * @param  bool  $forward  only where the clock goes on
     */
    private static function interval(array $times, bool $forward = false): float
    {
        $steps = [];
        for ($i = 1, $n = \count($times); $i < $n; $i++) {
            if (! $forward || $times[$i] > $times[$i - 1]) {
                $steps[] = $times[$i] - $times[$i - 1];
            }
        }

        return $steps === [] ? 0.0 : Median::of($steps);
    }

    /**
     * @param  list<float>  $times
     * @return list<array{float, float}>
     */
    public static function gaps(array $times, float $interval): array
    {
        $gaps = [];
        for ($i = 1, $n = \count($times); $i < $n; $i++) {
            if ($interval > 0 && self::GAP_INTERVALS * $interval + 1e-9 < $times[$i] - $times[$i - 1]) {
                $gaps[] = [$times[$i - 1], $times[$i]];
            }
        }

        return $gaps;
    }

    /**
     * @return array{array<int, true>, int, list<array{from_s: float, to_s: float, lowest_kpa: float, highest_kpa: float}>}
     *     where they lie, how many they are, and what lies apart for longer
     */
    private static function spikes(LogColumns $log, float $resolution, float $interval, float $most): array
    {
        [$times, $pressures] = [$log->times, $log->pressures];
        $end = $log->count() - self::SPIKE_HALF_WINDOW;
        $spikes = 0;
        $excursions = [];
        $drop = [];
        for ($i = self::SPIKE_HALF_WINDOW; $i < $end; $i++) {
            $from = $i;
            while ($i < $end && ! self::amidNeighbours($pressures, $i, 5 * $resolution) && self::isSpike($pressures, $i, $resolution)) {
                $i++;
            }
            if ($i === $from) {
                continue;
            }
            if ($most + 1e-9 >= $times[$i - 1] - $times[$from] + $interval) {
                $spikes += $i - $from;
                $drop += array_fill($from, $i - $from, true);
            } else {
                $apart = \array_slice($pressures, $from, $i - $from);
                $excursions[] = [
                    'from_s' => $times[$from] - $times[0],
                    'to_s' => $times[$i - 1] - $times[0],
                    'lowest_kpa' => min([INF, ...$apart]),
                    'highest_kpa' => max([-INF, ...$apart]),
                ];
            }
        }

        return [$drop, $spikes, $excursions];
    }

    /**
     * With three of its neighbours this near, the median of seven is no farther: most samples need no sorting.
     *
     * @param  list<float>  $pressures
     */
    private static function amidNeighbours(array $pressures, int $i, float $near): bool
    {
        $p = $pressures[$i];

        return abs($pressures[$i - 1] - $p) <= $near && abs($pressures[$i + 1] - $p) <= $near && abs($pressures[$i + 2] - $p) <= $near;
    }

    /** @param  list<float>  $pressures */
    private static function isSpike(array $pressures, int $i, float $resolution): bool
    {
        $window = \array_slice($pressures, $i - self::SPIKE_HALF_WINDOW, 2 * self::SPIKE_HALF_WINDOW + 1);
        sort($window);
        $median = $window[self::SPIKE_HALF_WINDOW];
        $off = array_map(fn ($p) => abs($p - $median), $window);
        sort($off);

        return abs($pressures[$i] - $median) > max(5 * 1.4826 * $off[self::SPIKE_HALF_WINDOW], 5 * $resolution);
    }

    /** @return list<string> */
    private static function stuck(LogColumns $log, float $interval, ?float $fullScale): array
    {
        [$times, $pressures] = [$log->times, $log->pressures];
        $warnings = [];
        $from = 0;
        $least = max(self::FLAT_SAMPLES * $interval, self::FLAT_S);
        for ($i = 1, $n = $log->count(); $i <= $n; $i++) {
            if ($i < $n && abs($pressures[$i] - $pressures[$from]) < 1e-9) {
                continue;
            }
            $to = $i - 1;
            if ($least < $times[$to] - $times[$from]) {
                if ($fullScale !== null && $pressures[$from] >= $fullScale * (1 - 1e-9)) {
                    $warnings[] = 'sensor-saturated';
                } elseif (self::moved($log->temperatures, $from, $to, 0.2) || self::moved($log->litres, $from, $to, 0.1)) {
                    $warnings[] = 'sensor-flat';
                }
            }
            $from = $i;
        }

        return array_values(array_unique($warnings));
    }

    /** @param  list<float|null>|null  $column */
    private static function moved(?array $column, int $from, int $to, float $by): bool
    {
        $values = array_filter(\array_slice($column ?? [], $from, $to - $from + 1), fn ($v) => $v !== null);

        return $values !== [] && max($values) - min($values) > $by;
    }
}
