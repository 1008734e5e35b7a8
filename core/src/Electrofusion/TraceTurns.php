<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Round\Median;

/**
 * Turns of the winding that melted together, seen as a fall of the resistance U/I: at once (within a few samples) or
 * over seconds. A dip of the voltage does not trip it, and copper that heats raises its resistance: a fall is never normal.
 */
final readonly class TraceTurns
{
    /** Earlier samples that a sudden fall is held against, at the most and at the least. */
    private const EARLIER = 5;

    private const LEAST_EARLIER = 3;

    /** With fewer samples in its window a value stands for itself. */
    private const LEAST_IN_WINDOW = 3;

    /** @var list<array{float, float, int}> t s, Ohm, number of the stretch under power */
    private array $settled;

    /**
     * @param  list<list<float>>  $samples  [t s, U V, I A]
     * @param  list<bool>  $powered
     * @param  float  $from  s; what comes before is settling
     * @param  float  $share  of the resistance that must be left: 0.95 for a fall of 5 %
     * @param  float  $window  s, over which the resistance is smoothed
     * @param  float  $hold  s, for which a slow fall must last
     */
    public function __construct(
        array $samples,
        array $powered,
        float $from,
        private float $share,
        private float $window,
        private float $hold,
    ) {
        $settled = [];
        $stretch = 0;
        foreach ($samples as $i => [$t, $volts, $amperes]) {
            if ($t < $from - 1e-9) {
                continue;
            }
            if ($powered[$i] && $amperes > 0) {
                $settled[] = [$t, $volts / $amperes, $stretch];
            } else {
                $stretch++;
            }
        }
        $this->settled = $settled;
    }

    /** Second of the first short, null when there is none. Once is enough: the fitting is lost. */
    public function shortAt(): ?float
    {
        return $this->canHaveFallen() ? $this->sudden() ?? $this->slow() : null;
    }

    /** Where no value lies so far under the highest one, no median of some can lie under that of others. */
    private function canHaveFallen(): bool
    {
        $ohms = array_column($this->settled, 1);

        return $ohms !== [] && min($ohms) < max($ohms) * $this->share;
    }

    private function sudden(): ?float
    {
        for ($i = self::LEAST_EARLIER, $n = \count($this->settled) - 1; $i < $n; $i++) {
            $earlier = array_column(\array_slice($this->settled, max(0, $i - self::EARLIER), min(self::EARLIER, $i)), 1);
            // Only what lies under one of them needs the median.
            if ($this->settled[$i][1] >= max([-INF, ...$earlier]) * $this->share) {
                continue;
            }
            $least = $this->share * Median::of($earlier);
            if ($this->settled[$i][1] < $least && $this->settled[$i + 1][1] < $least) {
                return $this->settled[$i][0];
            }
        }

        return null;
    }

    private function slow(): ?float
    {
        $reference = null;
        $run = null;
        $before = null;
        foreach ($this->smoothed() as $i => $smooth) {
            [$t, , $stretch] = $this->settled[$i];
            if ($before !== null && $stretch !== $before) {
                // The wire has cooled: what it was before says nothing now.
                if ($run !== null && $this->lasted($run['from'], $this->settled[$i - 1][0])) {
                    return $this->began($run);
                }
                $reference = $run = null;
            }
            $before = $stretch;
            if ($run !== null && $smooth < $run['line']) {
                continue;
            }
            if ($run !== null && $this->lasted($run['from'], $t)) {
                return $this->began($run);
            }
            $run = null;
            if ($reference !== null && $smooth < $this->share * $reference) {
                $run = ['from' => $t, 'line' => $this->share * $reference, 'stretch' => $stretch];
            } else {
                $reference = max($reference ?? $smooth, $smooth);
            }
        }
        $last = $this->settled[\count($this->settled) - 1][0] ?? 0.0;

        return $run !== null && $this->lasted($run['from'], $last) ? $this->began($run) : null;
    }

    private function lasted(float $from, float $to): bool
    {
        return $to - $from >= $this->hold - 1e-9;
    }

    /**
     * The first sample whose own resistance is below the line; the smoothed one falls a little later.
     *
     * @param  array{from: float, line: float, stretch: int}  $run
     */
    private function began(array $run): float
    {
        foreach ($this->settled as [$t, $ohms, $stretch]) {
            if ($stretch === $run['stretch'] && $t >= $run['from'] - $this->window - 1e-9 && $ohms < $run['line']) {
                return min($t, $run['from']);
            }
        }

        return $run['from'];
    }

    /** @return iterable<int, float> of each settled sample: the median over the window that ends with it */
    private function smoothed(): iterable
    {
        $first = 0;
        foreach ($this->settled as $i => [$t, $ohms, $stretch]) {
            while ($this->settled[$first][0] < $t - $this->window - 1e-9 || $this->settled[$first][2] !== $stretch) {
                $first++;
            }
            yield $i => $i - $first + 1 < self::LEAST_IN_WINDOW
                ? $ohms
                : Median::of(array_column(\array_slice($this->settled, $first, $i - $first + 1), 1));
        }
    }
}
