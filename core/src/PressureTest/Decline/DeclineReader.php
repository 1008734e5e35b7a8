<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Decline;

/** Reads a hold: which course its pressure took, and how sure that is. */
final readonly class DeclineReader
{
    private const LEAST_S = 1200;

    private const LEAST_BLOCKS = 20;

    /** A change counts from so many times the noise, and so many steps of the gauge. */
    private const FLOOR_NOISE = 3;

    private const FLOOR_STEPS = 2;

    /** K: less than that is no change of temperature. */
    private const LEAST_WARMTH = 0.3;

    /** Theory that explains less than this share of a change does not matter. */
    private const MATTERS = 0.3;

    /** By how much a combined course must beat its parts, and the best one the best of another class. */
    private const COMBINED_BEATS = 10;

    private const CLASS_BEATS = 6;

    private const MUST_EXPLAIN = 0.5;

    private const LEAST_INDEPENDENT = 10.0;

    /** Share of the resolution that no fit can be better than. */
    private const BEST_FIT = 0.1;

    /** An exponential longer than this share of the span is not flat yet. */
    private const FLAT = 1 / 3;

    /** Exponents that a creeping pipe can have. */
    private const N_MIN = 0.02;

    private const N_MAX = 0.15;

    /**
     * @param  float|null  $theory  kPa/K that mechanics say; null: not known
     * @param  bool  $plastic  polyethylene or composite: it creeps
     * @param  float|null  $load  s from the start of the raise to the shut valve
     * @param  float  $step  kPa, of the gauge
     * @param  float  $assumed  K that the temperature may have moved where it was not logged
     * @param  float  $drift  kPa/h of the gauge, off its sheet
     * @param  bool  $exposed  the pipe lies open: it lags the probe
     */
    public function __construct(
        private ?float $theory = null,
        private bool $plastic = false,
        private ?float $load = null,
        private float $step = 1.0,
        private float $assumed = 1.0,
        private float $drift = 0.0,
        private bool $exposed = false,
    ) {
    }

    public function read(HoldBlocks $blocks): Decline
    {
        if ($blocks->span < self::LEAST_S || $blocks->count() < self::LEAST_BLOCKS) {
            return new Decline('cannot-tell', 'too-short');
        }
        $floor = max(self::FLOOR_NOISE * $blocks->noise($this->step), self::FLOOR_STEPS * $this->step);
        $floor += $this->drift * $blocks->span / 3600;
        $found = ['floor_kpa' => $floor, 'fall_kpa' => $blocks->fall()];
        if ($blocks->range() < $floor) {
            return new Decline('tight', null, $found + ['hidden_kpa_h' => 3600 * $floor / $blocks->span], $blocks);
        }
        $weather = $this->weather($blocks);
        if (\is_string($weather)) {
            return new Decline('cannot-tell', $weather, $found, $blocks);
        }
        $measured = $blocks;
        if ($weather !== null) {
            $blocks = $blocks->with($weather->corrected);
            // What the weather leaves unexplained is noise to whatever is told of the rest.
            $floor = max($floor, self::FLOOR_NOISE * $weather->left);
            $found = [
                'floor_kpa' => $floor, 'fall_kpa' => $blocks->fall(), 'kpa_per_k' => $weather->kpaPerK, 'lag_s' => $weather->lag,
            ];
        }
        if (abs($blocks->fall()) < $floor || $blocks->range() < $floor) {
            return new Decline(
                $weather === null ? 'tight' : 'temperature',
                null,
                $found + ['hidden_kpa_h' => 3600 * $floor / $blocks->span],
                $measured,
                $weather,
            );
        }
        if ($blocks->fall() < 0) {
            return new Decline('rising', null, $found, $measured, $weather);
        }

        return $this->byCourse($blocks, $floor, $found, $measured, $weather);
    }

    /** @return TemperatureFit|string|null a fit to be taken out, or why nothing can be told */
    private function weather(HoldBlocks $blocks): TemperatureFit|string|null
    {
        $warmth = $blocks->temperatures;
        if ($warmth === null || $warmth === []) {
            return $this->theory !== null && $blocks->fall() <= abs($this->theory) * $this->assumed ? 'temperature-not-logged' : null;
        }
        if (max($warmth) - min($warmth) < self::LEAST_WARMTH) {
            return null;
        }
        if (! TemperatureFit::isInseparable($blocks)) {
            return TemperatureFit::of($blocks, $this->theory, $this->exposed);
        }
        $change = -$blocks->fall();
        $byWarmth = $this->theory === null ? null : $this->theory * HoldBlocks::change($warmth);
        $isPossible = $byWarmth === null || ($byWarmth * $change > 0 && abs($byWarmth) >= self::MATTERS * abs($change));

        return $isPossible ? 'temperature-and-time-together' : null;
    }

    /**
     * @param  HoldBlocks  $blocks  freed from the weather
     * @param  array<string, float>  $found
     * @param  HoldBlocks  $measured  as it was logged
     */
    private function byCourse(HoldBlocks $blocks, float $floor, array $found, HoldBlocks $measured, ?TemperatureFit $weather): Decline
    {
        $courses = (new Courses($blocks, $this->load))->fitted();
        if ($courses === []) {
            return new Decline('cannot-tell', 'unexplained', $found, $measured, $weather);
        }
        $bic = $this->compared($courses);
        $counted = array_filter(
            $courses,
            fn (Course $c) => ! $c->isCombined() || $this->counts($c, $bic, $blocks->span, $floor),
        );
        uasort($counted, fn (Course $a, Course $b) => $bic[$a->name] <=> $bic[$b->name]);
        $best = current($counted);
        if ($best === false) {
            return new Decline('cannot-tell', 'unexplained', $found, $measured, $weather);
        }
        $others = array_filter($counted, fn (Course $c) => $c->class() !== $best->class());
        $margin = $others === [] ? null : $bic[current($others)->name] - $bic[$best->name];
        $found += ['margin' => $margin ?? 0.0] + array_filter([
            'rate_kpa_h' => $best->class() === 'leak' ? 3600 * $best->rate : null, 'n' => $best->n, 'tau_s' => $best->tau,
        ], fn (?float $v) => $v !== null);
        $isCreep = $best->n !== null;
        $why = match (true) {
            $best->squares() > self::MUST_EXPLAIN * $blocks->variance() => 'unexplained',
            $best->class() === 'leak' && $best->rate <= 0 => 'unexplained',
            $margin !== null && $margin < self::CLASS_BEATS => 'too-close',
            $best->name === 'exp' && $best->tau > self::FLAT * $blocks->span => 'not-flat-yet',
            $isCreep && (! $this->plastic || $best->n < self::N_MIN - 1e-9 || $best->n > self::N_MAX + 1e-9) => 'power-law-without-plastic',
            default => null,
        };

        return new Decline($why === null ? $best->class() : 'cannot-tell', $why, $found, $measured, $weather, $best);
    }

    /**
     * @param  non-empty-array<string, Course>  $courses
     * @return array<string, float> BIC by name
     */
    private function compared(array $courses): array
    {
        $nearest = array_reduce($courses, fn (?Course $a, Course $b) => $a === null || $b->squares() < $a->squares() ? $b : $a);
        $memory = $nearest?->memory() ?? 0.0;
        $n = \count($nearest->residuals ?? []);
        $independent = max(self::LEAST_INDEPENDENT, $n * (1 - $memory) / (1 + $memory));

        return array_map(fn (Course $c) => $c->bic($independent, self::BEST_FIT * $this->step), $courses);
    }

    /**
     * A combined course fits everything a little better: it must beat its parts clearly, and its leak must be seen.
     *
     * @param  array<string, float>  $bic
     */
    private function counts(Course $combined, array $bic, float $span, float $floor): bool
    {
        // Creep is a sum of exponentials: in a pipe that creeps, one of them above a straight line is no sign of a leak.
        if ($this->plastic && $combined->name === 'exp+leak') {
            return false;
        }
        $parts = $combined->name === 'exp+leak' ? ['exp', 'leak'] : ['power'];
        foreach ($parts as $part) {
            if (isset($bic[$part]) && $bic[$combined->name] > $bic[$part] - self::COMBINED_BEATS) {
                return false;
            }
        }

        return $combined->rate * $span >= $floor;
    }
}
