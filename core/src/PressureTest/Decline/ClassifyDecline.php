<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Decline;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\PressureTest\SyntheticTrace;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * What a fall of pressure is: nothing, a leak, settling, creep, the weather, or not to be told. The class is a finding and
 * no verdict: tight is not a pass. Air is never read from a decline.
 */
#[Calculates(
    'classify-decline',
    'Leak, weather, creep, settling, or nothing?',
    Family::PressureTest,
    ['class', 'why', 'rate_kpa_h', 'n', 'tau_s', 'kpa_per_k', 'lag_s', 'floor_kpa', 'fall_kpa', 'hidden_kpa_h', 'margin', 'next'],
    'Block medians; orifice, exponential and power law compared by the Bayesian information criterion',
    codes: [
        'class' => ['tight', 'rising', 'leak', 'stabilising', 'creep', 'temperature', 'cannot-tell'],
        'why' => [
            'too-short', 'temperature-and-time-together', 'temperature-not-logged', 'unexplained', 'too-close', 'not-flat-yet',
            'power-law-without-plastic',
        ],
        'next' => [
            'walk-and-halve', 'compensate-or-wait', 'pe-procedure', 'restart-when-flat', 'hold-on', 'warmed-or-pumped',
            'log-longer',
        ],
    ],
)]
final class ClassifyDecline
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

    private const NEXT = [
        'leak' => 'walk-and-halve', 'temperature' => 'compensate-or-wait', 'creep' => 'pe-procedure',
        'stabilising' => 'restart-when-flat', 'tight' => 'hold-on', 'rising' => 'warmed-or-pumped', 'cannot-tell' => 'log-longer',
    ];

    /**
     * @param  list<list<float>>|null  $series
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Part('trace', SyntheticTrace::class)] ?SyntheticTrace $trace = null,
        #[Rows('series', ['s', 'kPa', 'degC'], atLeast: 2, optional: 1)] ?array $series = null,
        #[Number('theory_kpa_per_k', about: 'by thermal-drift')] ?float $theory = null,
        #[Flag('plastic', about: 'polyethylene or composite: it creeps')] bool $plastic = false,
        #[Measure('t_load_s', Quantity::Time, above: 0, about: 'start of raise to shut valve')] ?float $load = null,
        #[Measure('resolution_kpa', Quantity::Pressure, above: 0, about: 'step of the gauge')] float $resolution = 1000.0,
        #[Measure('assumed_dt_k', Quantity::TemperatureDifference, min: 0, about: 'where no temperature was logged')]
        float $assumed = 1.0,
        #[Number('drift_kpa_h', min: 0, about: 'what the gauge may drift by, off its sheet')] float $drift = 0.0,
        #[Flag('exposed', about: 'the pipe lies open: it lags the probe')] bool $exposed = false,
    ): array {
        if (($trace === null) === ($series === null)) {
            throw Refused::field('trace', 'trace or series: give exactly one of them.');
        }
        $blocks = HoldBlocks::of($series ?? $trace?->series() ?? []);
        if ($blocks->span < self::LEAST_S || $blocks->count() < self::LEAST_BLOCKS) {
            return self::answer('cannot-tell', 'too-short');
        }
        $step = Si::kpa($resolution);
        $floor = max(self::FLOOR_NOISE * $blocks->noise($step), self::FLOOR_STEPS * $step) + $drift * $blocks->span / 3600;
        $found = ['floor_kpa' => $floor, 'fall_kpa' => $blocks->fall()];
        if ($blocks->range() < $floor) {
            return self::answer('tight', null, $found + ['hidden_kpa_h' => 3600 * $floor / $blocks->span]);
        }
        $weather = $this->weather($blocks, $theory, $assumed, $exposed);
        if (\is_string($weather)) {
            return self::answer('cannot-tell', $weather, $found);
        }
        if ($weather !== null) {
            $blocks = $blocks->with($weather->corrected);
            // What the weather leaves unexplained is noise to whatever is told of the rest.
            $floor = max($floor, self::FLOOR_NOISE * $weather->left);
            $found = [
                'floor_kpa' => $floor, 'fall_kpa' => $blocks->fall(), 'kpa_per_k' => $weather->kpaPerK, 'lag_s' => $weather->lag,
            ];
        }
        if (abs($blocks->fall()) < $floor || $blocks->range() < $floor) {
            return self::answer(
                $weather === null ? 'tight' : 'temperature',
                null,
                $found + ['hidden_kpa_h' => 3600 * $floor / $blocks->span],
            );
        }
        if ($blocks->fall() < 0) {
            return self::answer('rising', null, $found);
        }

        return $this->byCourse($blocks, $load, $step, $floor, $plastic, $found);
    }

    /** @return TemperatureFit|string|null a fit to be taken out, or why nothing can be told */
    private function weather(HoldBlocks $blocks, ?float $theory, float $assumed, bool $exposed): TemperatureFit|string|null
    {
        $warmth = $blocks->temperatures;
        if ($warmth === null || $warmth === []) {
            return $theory !== null && $blocks->fall() <= abs($theory) * $assumed ? 'temperature-not-logged' : null;
        }
        if (max($warmth) - min($warmth) < self::LEAST_WARMTH) {
            return null;
        }
        if (! TemperatureFit::isInseparable($blocks)) {
            return TemperatureFit::of($blocks, $theory, $exposed);
        }
        $change = -$blocks->fall();
        $byWarmth = $theory === null ? null : $theory * HoldBlocks::change($warmth);
        $isPossible = $byWarmth === null || ($byWarmth * $change > 0 && abs($byWarmth) >= self::MATTERS * abs($change));

        return $isPossible ? 'temperature-and-time-together' : null;
    }

    /**
     * @param  array<string, float>  $found
     * @return array<string, mixed>
     */
    private function byCourse(HoldBlocks $blocks, ?float $load, float $step, float $floor, bool $plastic, array $found): array
    {
        $courses = (new Courses($blocks, $load))->fitted();
        if ($courses === []) {
            return self::answer('cannot-tell', 'unexplained', $found);
        }
        $bic = $this->compared($courses, $step);
        $counted = array_filter(
            $courses,
            fn (Course $c) => ! $c->isCombined() || $this->counts($c, $bic, $blocks->span, $floor, $plastic),
        );
        uasort($counted, fn (Course $a, Course $b) => $bic[$a->name] <=> $bic[$b->name]);
        $best = current($counted);
        if ($best === false) {
            return self::answer('cannot-tell', 'unexplained', $found);
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
            $isCreep && (! $plastic || $best->n < self::N_MIN - 1e-9 || $best->n > self::N_MAX + 1e-9) => 'power-law-without-plastic',
            default => null,
        };

        return self::answer($why === null ? $best->class() : 'cannot-tell', $why, $found);
    }

    /**
     * @param  non-empty-array<string, Course>  $courses
     * @return array<string, float> BIC by name
     */
    private function compared(array $courses, float $step): array
    {
        $nearest = array_reduce($courses, fn (?Course $a, Course $b) => $a === null || $b->squares() < $a->squares() ? $b : $a);
        $memory = $nearest?->memory() ?? 0.0;
        $n = \count($nearest->residuals ?? []);
        $independent = max(self::LEAST_INDEPENDENT, $n * (1 - $memory) / (1 + $memory));

        return array_map(fn (Course $c) => $c->bic($independent, self::BEST_FIT * $step), $courses);
    }

    /**
     * A combined course fits everything a little better: it must beat its parts clearly, and its leak must be seen.
     *
     * @param  array<string, float>  $bic
     */
    private function counts(Course $combined, array $bic, float $span, float $floor, bool $plastic): bool
    {
        // Creep is a sum of exponentials: in a pipe that creeps, one of them above a straight line is no sign of a leak.
        if ($plastic && $combined->name === 'exp+leak') {
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

    /**
     * @param  array<string, float>  $found
     * @return array<string, mixed>
     */
    private static function answer(string $class, ?string $why, array $found = []): array
    {
        return ['class' => $class] + ($why === null ? [] : ['why' => $why]) + $found + ['next' => self::NEXT[$class]];
    }
}
