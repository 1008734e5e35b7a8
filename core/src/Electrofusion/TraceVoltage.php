<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Round\Median;

/**
 * Stretches of a fusion trace in which the voltage lies outside its tolerance for as long as it takes to count.
 *
 * A stretch counts when all its samples are outside, or when the median of a window of that length is: one noisy
 * sample back inside does not begin the count anew. Times in seconds of the trace, never in samples.
 */
final readonly class TraceVoltage
{
    /** A window with fewer samples is judged sample by sample only. */
    private const LEAST_IN_WINDOW = 5;

    /**
     * @param  list<list<float>>  $samples  [t s, U V, I A]
     * @param  list<bool>  $powered  of each sample
     * @param  float  $from  s; what comes before is settling
     * @param  float  $low  V
     * @param  float  $high  V
     * @param  float  $hold  s; from the first sample outside to the first one after
     */
    public function __construct(
        private array $samples,
        private array $powered,
        private float $from,
        private float $low,
        private float $high,
        private float $hold,
    ) {
    }

    /** @return list<array{code: string, t_s: float}> */
    public function events(): array
    {
        $events = [];
        foreach (['under-voltage' => -1, 'over-voltage' => 1] as $code => $side) {
            $stretches = $this->wasOutside($side) ? [...$this->runs($side), ...$this->windows($side)] : [];
            foreach ($this->joined($stretches) as $from) {
                $events[] = ['code' => $code, 't_s' => $from];
            }
        }

        return $events;
    }

    /** Was one sample outside at all? Of a healthy fusion none is, and that is soon seen. */
    private function wasOutside(int $side): bool
    {
        foreach ($this->samples as $i => [$t, $volts]) {
            if (($side < 0 ? $volts < $this->low : $volts > $this->high) && $this->powered[$i] && $t >= $this->from - 1e-9) {
                return true;
            }
        }

        return false;
    }

    private function outside(float $volts, int $side): bool
    {
        return $side < 0 ? $volts < $this->low : $volts > $this->high;
    }

    private function counts(int $i): bool
    {
        return $this->powered[$i] && $this->samples[$i][0] >= $this->from - 1e-9;
    }

    /** @return list<array{float, float}> from, to: every sample outside */
    private function runs(int $side): array
    {
        $runs = [];
        $last = \count($this->samples) - 1;
        for ($i = 0; $i <= $last; $i++) {
            if (! $this->counts($i) || ! $this->outside($this->samples[$i][1], $side)) {
                continue;
            }
            $first = $i;
            while ($i < $last && $this->counts($i + 1) && $this->outside($this->samples[$i + 1][1], $side)) {
                $i++;
            }
            $end = $this->samples[min($i + 1, $last)][0];
            if ($end - $this->samples[$first][0] >= $this->hold - 1e-9) {
                $runs[] = [$this->samples[$first][0], $end];
            }
        }

        return $runs;
    }

    /** @return list<array{float, float}> from the first sample outside of the first window outside, to the end of the last */
    private function windows(int $side): array
    {
        $groups = [];
        $open = null;
        $first = $outside = $blind = 0;
        foreach ($this->samples as $i => [$t, $volts]) {
            $outside += $this->outside($volts, $side) ? 1 : 0;
            $blind += $this->powered[$i] ? 0 : 1;
            for (; $this->samples[$first][0] < $t - $this->hold - 1e-9; $first++) {
                $outside -= $this->outside($this->samples[$first][1], $side) ? 1 : 0;
                $blind -= $this->powered[$first] ? 0 : 1;
            }
            $n = $i - $first + 1;
            $settled = $t - $this->hold >= $this->from - 1e-9;
            if (
                ! $settled ||
                $blind > 0 ||
                $n < self::LEAST_IN_WINDOW ||
                2 * $outside < $n ||
                ! $this->outside($this->median($first, $i), $side)
            ) {
                $groups = $open === null ? $groups : [...$groups, $open];
                $open = null;
            } else {
                $open = [$open[0] ?? $this->firstOutside($first, $side), $t];
            }
        }

        return $open === null ? $groups : [...$groups, $open];
    }

    private function median(int $from, int $to): float
    {
        return Median::of(array_column(\array_slice($this->samples, $from, $to - $from + 1), 1));
    }

    private function firstOutside(int $from, int $side): float
    {
        while (! $this->outside($this->samples[$from][1], $side)) {
            $from++;
        }

        return $this->samples[$from][0];
    }

    /**
     * @param  list<array{float, float}>  $stretches
     * @return list<float> where each begins; those that overlap are one
     */
    private function joined(array $stretches): array
    {
        sort($stretches);
        $starts = [];
        $until = -INF;
        foreach ($stretches as [$from, $to]) {
            if ($from > $until + 1e-9) {
                $starts[] = $from;
            }
            $until = max($until, $to);
        }

        return $starts;
    }
}
