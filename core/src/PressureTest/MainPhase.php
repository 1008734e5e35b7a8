<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Compare;

/**
 * The main phase of a test of stretching pipe (EN 805:2000, A.27): the pipe shrinks back and must lift the pressure.
 *
 * A fall of more than the limit is a leak whenever it is seen, early or late. Two readings do not prove "at no time":
 * where the log says nothing for too long, or does not begin where the letting out ended, nothing is proved.
 */
final readonly class MainPhase
{
    /** How far the first reading may lie from the pressure after letting out: a share of it, or kPa (common practice). */
    private const START_SHARE = 0.02;

    private const START_KPA = 20.0;

    /**
     * @param  non-empty-list<list<float>>  $readings  [min from the end of the letting out, kPa]
     * @param  float  $resolution  kPa; what moves by less has not moved
     * @param  float  $maxGap  min
     * @param  float  $main  min
     * @param  float  $extension  min, the main phase included
     * @param  float  $mostFall  kPa below the highest reading so far
     */
    public function __construct(
        private array $readings,
        private float $resolution,
        private float $maxGap,
        private float $main,
        private float $extension,
        private float $mostFall,
    ) {
    }

    /**
     * @param  float  $after  kPa, when the letting out ended
     * @return array{Outcome, 'main'|'extension', float, string|null} outcome, phase, greatest fall in kPa, why
     */
    public function judge(float $after): array
    {
        $lasted = $this->readings[\count($this->readings) - 1][0];
        $main = $this->until($this->main);
        $fall = $this->fall($main);
        if (! Compare::atMost($fall, $this->mostFall)) {
            return [Outcome::Fail, 'main', $fall, null];
        }
        $fallOfAll = $this->fall($this->readings);
        if (! Compare::atMost($fallOfAll, $this->mostFall)) {
            return [Outcome::Fail, 'extension', $fallOfAll, null];
        }
        if (abs($this->readings[0][1] - $after) > max(self::START_SHARE * $after, self::START_KPA) + 1e-9) {
            return [Outcome::CannotTell, 'main', $fall, 'p_after'];
        }
        if ($this->isBlind($main, min($this->main, $lasted))) {
            return [Outcome::CannotTell, 'main', $fall, 'max_gap'];
        }
        if ($lasted < $this->main - 1e-9) {
            return [Outcome::NotFinished, 'main', $fall, null];
        }
        $rise = $main[\count($main) - 1][1] - $main[0][1];
        // What falls after the main phase is evidence too.
        $fell = ! Compare::atMost($fallOfAll, $this->resolution);
        if (! $fell && $rise > $this->resolution + Compare::slack($rise, $this->resolution)) {
            return [Outcome::Pass, 'main', $fall, null];
        }
        if ($lasted <= $this->main + 1e-9) {
            return [Outcome::Extend, 'main', $fall, null];
        }
        if ($this->isBlind($this->until($this->extension), min($this->extension, $lasted))) {
            return [Outcome::CannotTell, 'extension', $fallOfAll, 'max_gap'];
        }

        return [$lasted < $this->extension - 1e-9 ? Outcome::Extend : Outcome::Pass, 'extension', $fallOfAll, null];
    }

    /** @return list<list<float>> */
    private function until(float $minute): array
    {
        return array_values(array_filter($this->readings, fn (array $r) => $r[0] <= $minute + 1e-9));
    }

    /** @param  list<list<float>>  $readings */
    private function fall(array $readings): float
    {
        return Series::greatestFall(array_column($readings, 1));
    }

    /**
     * Is there too long a time without a reading, from 0 to the end of what is judged?
     *
     * @param  list<list<float>>  $readings
     */
    private function isBlind(array $readings, float $end): bool
    {
        if ($readings === []) {
            return true;
        }
        $gap = max($readings[0][0], $end - $readings[\count($readings) - 1][0], Series::longestGap($readings));

        return $gap > $this->maxGap + 1e-6;
    }
}
