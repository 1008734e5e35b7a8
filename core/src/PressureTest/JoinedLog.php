<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Refused;

/**
 * The files of one test as one log, in the order of their clocks: a logger that was read out and started again, or two of them.
 *
 * Where two files tell of the same time they must tell the same, all the time: the earlier one counts there, and what differs
 * for longer than a spike is refused rather than chosen. What lies between two files is a gap, and judged as one.
 */
final readonly class JoinedLog
{
    private const COUNTS = ['samples', 'missing', 'duplicates', 'spikes', 'clock_jumps'];

    /** Two gauges on one section may stand as far apart, kPa (common practice: a hundredth of a bar each, and their steps). */
    private const AGREE_KPA = 5.0;

    /**
     * @param  float  $interval  s, the longest of the files
     * @param  array<string, mixed>  $summary  as {@see CleanLog::summary()}, of all of them
     */
    private function __construct(public LogColumns $columns, public float $interval, public array $summary)
    {
    }

    /**
     * @param  non-empty-array<string, CleanLog>  $logs  by the name of the file
     *
     * @throws Refused naming file where two of them contradict each other
     */
    public static function of(array $logs): self
    {
        uasort($logs, fn (CleanLog $a, CleanLog $b) => $a->columns->times[0] <=> $b->columns->times[0]);
        $joined = null;
        $before = '';
        foreach ($logs as $name => $log) {
            $joined = $joined === null ? $log->columns : self::with($joined, $log->columns, $before, $name);
            $before = $name;
        }
        $interval = max(array_map(fn (CleanLog $log) => $log->interval, $logs));
        $summaries = array_map(fn (CleanLog $log) => $log->summary(), array_values($logs));
        if (\count($summaries) === 1) {
            return new self($joined, $interval, $summaries[0]);
        }
        $last = $joined->count() - 1;
        $sum = fn (string $key): int|float => array_sum(array_column($summaries, $key));

        return new self($joined, $interval, [
            'kept' => $last + 1,
            'interval_s' => $interval,
            'gaps' => \count(CleanLog::gaps($joined->times, $interval)),
            'excursions' => array_merge(...array_map(fn (CleanLog $log) => $log->excursions, array_values($logs))),
            'warnings' => array_values(array_unique(array_merge(...array_map(fn (CleanLog $log) => $log->warnings, array_values($logs))))),
            'first_kpa' => $joined->pressures[0],
            'last_kpa' => $joined->pressures[$last],
            'span_s' => $joined->times[$last] - $joined->times[0],
        ] + array_map($sum, array_combine(self::COUNTS, self::COUNTS)));
    }

    /** What follows on what is there already. */
    private static function with(LogColumns $there, LogColumns $more, string $before, string $name): LogColumns
    {
        $end = $there->times[$there->count() - 1];
        $from = 0;
        while ($from < $more->count() && $more->times[$from] <= $end + 1e-9) {
            $from++;
        }
        if ($from > 0) {
            self::mustAgree($there, $more, $from, $before, $name);
        }
        $litres = null;
        if ($there->litres !== null && $more->litres !== null) {
            $so = $there->litres[$there->count() - 1] ?? 0.0;
            // A counter that began anew goes on from where the other one stood.
            $add = ($more->litres[$from] ?? 0.0) < $so - 1e-9 ? $so : 0.0;
            $next = \array_slice($more->litres, $from);
            $litres = [...$there->litres, ...array_map(fn (?float $one): ?float => $one === null ? null : $one + $add, $next)];
        }
        $warm = $there->temperatures !== null && $more->temperatures !== null;

        return new LogColumns(
            [...$there->times, ...\array_slice($more->times, $from)],
            [...$there->pressures, ...\array_slice($more->pressures, $from)],
            $warm ? [...$there->temperatures, ...\array_slice($more->temperatures, $from)] : null,
            $litres,
        );
    }

    /** @param  int  $common  so many readings of the later file lie within the earlier one */
    private static function mustAgree(LogColumns $there, LogColumns $more, int $common, string $before, string $name): void
    {
        $at = 0;
        $last = $there->count() - 1;
        $since = null;
        $most = 0.0;
        for ($i = 0; $i < $common; $i++) {
            $time = $more->times[$i];
            while ($at < $last && $there->times[$at + 1] <= $time) {
                $at++;
            }
            $next = min($at + 1, $last);
            $span = $there->times[$next] - $there->times[$at];
            $share = $span > 0 ? ($time - $there->times[$at]) / $span : 0.0;
            $apart = abs($more->pressures[$i] - $there->pressures[$at] - $share * ($there->pressures[$next] - $there->pressures[$at]));
            if ($apart <= self::AGREE_KPA) {
                $since = null;

                continue;
            }
            // Half a minute more or less of a reading is no knock any more: a fall of minutes must not hide behind the other file.
            $since ??= $more->times[max(0, $i - 1)];
            $most = $time - $since > CleanLog::SPIKE_MOST_S || $common === 1 ? max($most, $apart) : $most;
        }
        if ($most > 0) {
            throw Refused::field('file', sprintf(
                '"%s" and "%s" both tell of %d minutes, and stand up to %.0f kPa apart there: '.
                    'another section, another gauge, or a clock that is off. Load the one that counts.',
                $before,
                $name,
                (int) round(($more->times[$common - 1] - $more->times[0]) / 60),
                $most,
            ));
        }
    }
}
