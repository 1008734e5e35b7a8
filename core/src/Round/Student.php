<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

/** Quantiles of Student's t and the normal distribution function, which PHP does not have. */
final class Student
{
    /** t(97.5 %, ν) as printed in tables, ν = 1..10; beyond 10 the last value is kept (a little on the safe side). */
    private const T975 = [1 => 12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228];

    public static function t975(int $degrees): float
    {
        return self::T975[max(1, min(10, $degrees))];
    }

    /** Quantile of t for probability $p in (0.5, 1), by bisection of the distribution function. */
    public static function quantile(float $p, float $degrees): float
    {
        $low = 0.0;
        $high = 2.0;
        while (self::distribution($high, $degrees) < $p && $high < 1e12) {
            $high *= 2;
        }
        for ($i = 0; $i < 200; $i++) {
            $mid = ($low + $high) / 2;
            self::distribution($mid, $degrees) < $p ? $low = $mid : $high = $mid;
        }

        return ($low + $high) / 2;
    }

    /** P(T <= t) for t >= 0. */
    public static function distribution(float $t, float $degrees): float
    {
        return 1 - 0.5 * self::incompleteBeta($degrees / ($degrees + $t * $t), $degrees / 2, 0.5);
    }

    /** Φ(z), absolute error below 1e-12: erf by its series, erfc by continued fraction above 2.5. */
    public static function normal(float $z): float
    {
        return 0.5 * self::erfc(-$z / M_SQRT2);
    }

    public static function erfc(float $x): float
    {
        if ($x < 0) {
            return 2 - self::erfc(-$x);
        }
        if ($x < 2.5) {
            $term = $sum = $x;
            for ($n = 1; $n < 200 && abs($term) > 1e-17; $n++) {
                $term *= -$x * $x / $n;
                $sum += $term / (2 * $n + 1);
            }

            return 1 - 2 / sqrt(M_PI) * $sum;
        }
        $fraction = 0.0;
        for ($n = 80; $n > 0; $n--) {
            $fraction = $n / 2 / ($x + $fraction);
        }

        return exp(-$x * $x) / sqrt(M_PI) / ($x + $fraction);
    }

    /** Regularised incomplete beta function I_x(a, b), continued fraction by Lentz (Numerical Recipes, 6.4). */
    private static function incompleteBeta(float $x, float $a, float $b): float
    {
        if ($x <= 0 || $x >= 1) {
            return $x <= 0 ? 0.0 : 1.0;
        }
        if ($x > ($a + 1) / ($a + $b + 2)) {
            return 1 - self::incompleteBeta(1 - $x, $b, $a);
        }
        $front = exp(self::logGamma($a + $b) - self::logGamma($a) - self::logGamma($b) + $a * log($x) + $b * log(1 - $x)) / $a;
        $tiny = 1e-300;
        $c = 1.0;
        $d = 1 / self::away(1 - ($a + $b) * $x / ($a + 1), $tiny);
        $h = $d;
        for ($m = 1; $m < 500; $m++) {
            $even = $m * ($b - $m) * $x / (($a + 2 * $m - 1) * ($a + 2 * $m));
            $d = 1 / self::away(1 + $even * $d, $tiny);
            $c = self::away(1 + $even / $c, $tiny);
            $h *= $d * $c;
            $odd = -($a + $m) * ($a + $b + $m) * $x / (($a + 2 * $m) * ($a + 2 * $m + 1));
            $d = 1 / self::away(1 + $odd * $d, $tiny);
            $c = self::away(1 + $odd / $c, $tiny);
            $h *= $d * $c;
            if (abs($d * $c - 1) < 1e-15) {
                break;
            }
        }

        return $front * $h;
    }

    private static function away(float $value, float $tiny): float
    {
        return abs($value) < $tiny ? $tiny : $value;
    }

    /** Lanczos approximation, g = 7, n = 9; relative error below 1e-14 for x > 0. */
    public static function logGamma(float $x): float
    {
        $g = [0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313,
            -176.61502916214059, 12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7];
        if ($x < 0.5) {
            return log(M_PI / sin(M_PI * $x)) - self::logGamma(1 - $x);
        }
        $x -= 1;
        $sum = $g[0];
        for ($i = 1; $i < 9; $i++) {
            $sum += $g[$i] / ($x + $i);
        }
        $t = $x + 7.5;

        return 0.5 * log(2 * M_PI) + ($x + 0.5) * log($t) - $t + log($sum);
    }
}
