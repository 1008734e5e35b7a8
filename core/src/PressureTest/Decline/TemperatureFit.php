<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Decline;

/**
 * How much of a course is the weather: p = a + b t + c (T - mean T). It counts only where it halves what a straight line
 * leaves, and where it has the sign and about the size that mechanics say.
 *
 * Probe and pipe do not warm in the same minute: the temperature is shifted until it explains most. Water expands the more
 * the warmer it is: a square of the temperature is taken along where it halves what is left.
 */
final readonly class TemperatureFit
{
    /** Time and temperature that go together as much as that cannot be told apart. */
    private const INSEPARABLE = 0.95;

    /** By how much the slope may differ from theory: ground and pipe lag the probe. */
    private const LEAST_OF_THEORY = 0.3;

    private const MOST_OF_THEORY = 1.5;

    private const MUST_LEAVE = 0.5;

    /** s: probe and pipe in the ground are at most that far apart, either way */
    private const NEAR_S = 600;

    private const NEAR_STEP_S = 60;

    /** s: a pipe that lies open lags the probe by up to two hours */
    private const EXPOSED_S = 7200;

    private const EXPOSED_STEP_S = 600;

    private const LEAST_BLOCKS = 20;

    /**
     * @param  float  $lag  s by which the pipe lags the probe
     * @param  list<float>  $corrected  kPa, as if the temperature had stood at its mean
     * @param  float  $left  kPa: what neither time nor temperature explain, root of the mean square
     */
    private function __construct(public float $kpaPerK, public float $lag, public array $corrected, public float $left)
    {
    }

    public static function isInseparable(HoldBlocks $blocks): bool
    {
        return abs(self::correlation($blocks->times, $blocks->temperatures ?? [])) > self::INSEPARABLE;
    }

    /**
     * @param  float|null  $theory  kPa/K; null: not known, and its size is not asked
     * @param  bool  $isExposed  the pipe lies open
     */
    public static function of(HoldBlocks $blocks, ?float $theory, bool $isExposed): ?self
    {
        $lags = range(-self::NEAR_S, self::NEAR_S, self::NEAR_STEP_S);
        if ($isExposed) {
            $lags = [...$lags, ...range(self::NEAR_S, self::EXPOSED_S, self::EXPOSED_STEP_S)];
        }
        $best = null;
        $least = self::MUST_LEAVE;
        foreach ($lags as $lag) {
            $inside = self::inside($blocks, $lag);
            if (\count($inside) < self::LEAST_BLOCKS) {
                continue;
            }
            [$slope, $share] = self::fit($blocks, $inside, $lag);
            if ($slope !== null && $share < $least && self::isLikely($slope, $theory)) {
                [$best, $least] = [$lag, $share];
            }
        }

        return $best === null ? null : self::corrected($blocks, (float) $best);
    }

    private static function isLikely(float $slope, ?float $theory): bool
    {
        $share = $theory === null || $theory === 0.0 ? null : $slope / $theory;

        return $theory === null || ($share !== null && $share >= self::LEAST_OF_THEORY && $share <= self::MOST_OF_THEORY);
    }

    /** @return list<int> blocks of which the temperature so much earlier was logged */
    private static function inside(HoldBlocks $blocks, float $lag): array
    {
        $last = $blocks->times[$blocks->count() - 1];

        return array_keys(array_filter(
            $blocks->times,
            fn (float $t) => $t - $lag >= $blocks->times[0] - 1e-6 && $t - $lag <= $last + 1e-6,
        ));
    }

    /**
     * @param  list<int>  $inside
     * @return array{float|null, float} kPa/K, and the share of the squares that it leaves of those of a straight line
     */
    private static function fit(HoldBlocks $blocks, array $inside, float $lag): array
    {
        $of = fn (array $values): array => self::centred(array_map(fn (int $i): float => $values[$i], $inside));
        [$t, $p, $w] = [$of($blocks->times), $of($blocks->pressures), $of(self::lagged($blocks, $lag))];
        $line = LeastSquares::fit([$t], $p);
        $both = LeastSquares::fit([$t, $w], $p);
        if ($line === null || $both === null) {
            return [null, 1.0];
        }
        $before = LeastSquares::squares([$t], $p, $line);

        return [$both[1], $before > 0 ? LeastSquares::squares([$t, $w], $p, $both) / $before : 1.0];
    }

    private static function corrected(HoldBlocks $blocks, float $lag): ?self
    {
        $w = self::centred(self::lagged($blocks, $lag));
        $squared = array_map(fn (float $x) => $x * $x, $w);
        $one = array_fill(0, $blocks->count(), 1.0);
        $columns = [$one, self::centred($blocks->times), $w];
        $fit = LeastSquares::fit($columns, $blocks->pressures);
        if ($fit === null) {
            return null;
        }
        $left = LeastSquares::squares($columns, $blocks->pressures, $fit);
        $bent = LeastSquares::fit([...$columns, $squared], $blocks->pressures);
        $leftBent = $bent === null ? INF : LeastSquares::squares([...$columns, $squared], $blocks->pressures, $bent);
        [$slope, $bend] = [$fit[2], 0.0];
        if ($bent !== null && $leftBent <= self::MUST_LEAVE * $left) {
            [$slope, $bend, $left] = [$bent[2], $bent[3], $leftBent];
        }

        return new self(
            $slope,
            $lag,
            array_map(fn (float $p, float $x, float $xx) => $p - $slope * $x - $bend * $xx, $blocks->pressures, $w, $squared),
            sqrt($left / $blocks->count()),
        );
    }

    /** @return list<float> the temperature so much earlier, between the readings by a straight line */
    private static function lagged(HoldBlocks $blocks, float $lag): array
    {
        $temperatures = $blocks->temperatures ?? [];
        [$times, $last] = [$blocks->times, $blocks->count() - 1];
        $at = 0;
        $lagged = [];
        foreach ($times as $time) {
            $wanted = $time - $lag;
            while ($at < $last - 1 && $times[$at + 1] < $wanted) {
                $at++;
            }
            $share = max(0.0, min(1.0, ($wanted - $times[$at]) / ($times[$at + 1] - $times[$at])));
            $lagged[] = $temperatures[$at] + $share * ($temperatures[$at + 1] - $temperatures[$at]);
        }

        return $lagged;
    }

    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function centred(array $values): array
    {
        $mean = array_sum($values) / max(1, \count($values));

        return array_map(fn (float $v) => $v - $mean, $values);
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private static function correlation(array $a, array $b): float
    {
        [$a, $b] = [self::centred($a), self::centred($b)];
        $scale = sqrt(LeastSquares::product($a, $a) * LeastSquares::product($b, $b));

        return $scale > 0 ? LeastSquares::product($a, $b) / $scale : 0.0;
    }
}
