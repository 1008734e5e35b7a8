<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion\Melt;

/** erf and erfc, which PHP lacks: a series for small arguments, a continued fraction for large ones; better than 1e-12. */
final class ErrorFunction
{
    private const SERIES_UP_TO = 2.5;

    public static function erf(float $x): float
    {
        if (abs($x) > self::SERIES_UP_TO) {
            return $x > 0 ? 1 - self::tail($x) : self::tail(-$x) - 1;
        }
        // 2/√π Σ (-1)^n x^(2n+1) / (n! (2n+1)) in the form that only adds positive terms.
        $term = $x;
        $sum = $x;
        for ($n = 1; $n < 200 && abs($term) > 1e-17 * abs($sum); $n++) {
            $term *= 2 * $x * $x / (2 * $n + 1);
            $sum += $term;
        }

        return 2 / sqrt(M_PI) * exp(-$x * $x) * $sum;
    }

    public static function erfc(float $x): float
    {
        return $x > self::SERIES_UP_TO ? self::tail($x) : 1 - self::erf($x);
    }

    /** erfc for large x by Lentz's continued fraction, taken from the far end. */
    private static function tail(float $x): float
    {
        $fraction = 0.0;
        for ($n = 60; $n > 0; $n--) {
            $fraction = $n / 2 / ($x + $fraction);
        }

        return exp(-$x * $x) / sqrt(M_PI) / ($x + $fraction);
    }
}
