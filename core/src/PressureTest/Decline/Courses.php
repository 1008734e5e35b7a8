<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Decline;

/**
 * Fits every course that a shut line may take to its blocks: a leak through a hole, an exponential that stabilises, the
 * power law of a pipe that creeps, and each of the last two with a leak beneath it.
 */
final class Courses
{
    /** Time constants of the exponential: from a thirtieth of the span to three times of it. */
    private const TAUS = 41;

    private const SHORTEST = 1 / 30;

    private const LONGEST = 3.0;

    /** The exponential of a leak that stabilises first is over in a third of the span. */
    private const WITH_LEAK = 1 / 3;

    /** s: how old the load is when nobody knows */
    private const UNKNOWN_AGES = [60.0, 120.0, 240.0, 480.0, 960.0];

    /** Share of the loading time that counts as age at the shut valve. */
    private const AGE_SHARE = 0.4;

    private const N_FROM = 0.01;

    private const N_TO = 0.15;

    private const N_STEP = 0.005;

    /** @var list<float> times as a share of the span */
    private array $shares;

    /** @var list<float> */
    private array $one;

    /** @var list<float> s */
    private readonly array $ages;

    /** @param  float|null  $load  s, the loading time */
    public function __construct(private readonly HoldBlocks $blocks, private readonly ?float $load)
    {
        $this->shares = array_map(fn (float $t) => $t / $blocks->span, $blocks->times);
        $this->one = array_fill(0, $blocks->count(), 1.0);
        $this->ages = $load === null ? self::UNKNOWN_AGES : [self::AGE_SHARE * $load];
    }

    /** @return array<string, Course> by name; one that does not fit at all is left out */
    public function fitted(): array
    {
        $all = [$this->leak(), $this->exponential(false), $this->power(), $this->exponential(true), $this->powerWithLeak()];
        $named = [];
        foreach (array_filter($all) as $course) {
            $named[$course->name] = $course;
        }

        return $named;
    }

    /** Turbulent flow through a hole: the root of the pressure falls evenly. */
    private function leak(): ?Course
    {
        $p = $this->blocks->pressures;
        if (min([INF, ...$p]) <= 0) {
            return null;
        }
        $fit = LeastSquares::fit([$this->one, $this->shares], array_map(sqrt(...), $p));
        if ($fit === null) {
            return null;
        }
        [$a, $b] = $fit;
        $residuals = array_map(fn (float $p, float $s) => $p - ($a + $b * $s) ** 2, $p, $this->shares);

        return new Course('leak', $residuals, 2, -2 * $a * $b / $this->blocks->span);
    }

    private function exponential(bool $withLeak): ?Course
    {
        $best = null;
        for ($i = 0; $i < self::TAUS; $i++) {
            $tau = self::SHORTEST * (self::LONGEST / self::SHORTEST) ** ($i / (self::TAUS - 1));
            if ($withLeak && $tau > self::WITH_LEAK) {
                break;
            }
            $curve = array_map(fn (float $s) => exp(-$s / $tau), $this->shares);
            $columns = $withLeak ? [$this->one, $curve, $this->shares] : [$this->one, $curve];
            $fit = LeastSquares::fit($columns, $this->blocks->pressures);
            if ($fit === null || $fit[1] <= 0) {
                continue;
            }
            $best = $this->better($best, $columns, $fit, $tau);
        }
        if ($best === null) {
            return null;
        }
        [$residuals, $fit, $tau] = $best;
        $tau *= $this->blocks->span;

        return $withLeak
            ? new Course('exp+leak', $residuals, 4, -$fit[2] / $this->blocks->span, $tau)
            : new Course('exp', $residuals, 3, tau: $tau);
    }

    private function power(): ?Course
    {
        $p = $this->blocks->pressures;
        if (min([INF, ...$p]) <= 0) {
            return null;
        }
        $best = null;
        foreach ($this->ages as $age) {
            $log = array_map(fn (float $t) => log($t + $age), $this->blocks->times);
            $fit = LeastSquares::fit([$this->one, $log], array_map(log(...), $p));
            if ($fit === null) {
                continue;
            }
            $residuals = array_map(fn (float $p, float $l) => $p - exp($fit[0] + $fit[1] * $l), $p, $log);
            $squares = LeastSquares::product($residuals, $residuals);
            if ($best === null || $squares < $best[2]) {
                $best = [$residuals, -$fit[1], $squares];
            }
        }

        return $best === null ? null : new Course('power', $best[0], $this->load === null ? 3 : 2, n: $best[1]);
    }

    private function powerWithLeak(): ?Course
    {
        $best = null;
        foreach ($this->ages as $age) {
            $log = array_map(fn (float $t) => log(($t + $age) / $age), $this->blocks->times);
            for ($n = self::N_FROM; $n < self::N_TO + self::N_STEP / 2; $n += self::N_STEP) {
                $columns = [array_map(fn (float $l) => exp(-$n * $l), $log), $this->shares];
                $fit = LeastSquares::fit($columns, $this->blocks->pressures);
                $best = $fit === null ? $best : $this->better($best, $columns, $fit, $n);
            }
        }
        if ($best === null) {
            return null;
        }
        [$residuals, $fit, $n] = $best;

        return new Course('power+leak', $residuals, $this->load === null ? 4 : 3, -$fit[1] / $this->blocks->span, n: $n);
    }

    /**
     * @param  array{list<float>, list<float>, float, float}|null  $best  residuals, coefficients, setting, squares
     * @param  list<list<float>>  $columns
     * @param  list<float>  $fit
     * @return array{list<float>, list<float>, float, float}
     */
    private function better(?array $best, array $columns, array $fit, float $setting): array
    {
        $residuals = LeastSquares::residuals($columns, $this->blocks->pressures, $fit);
        $squares = LeastSquares::product($residuals, $residuals);

        return $best === null || $squares < $best[3] ? [$residuals, $fit, $setting, $squares] : $best;
    }
}
