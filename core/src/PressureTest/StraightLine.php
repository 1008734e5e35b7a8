<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

/** The straight line of least squares through points in order of time, and what it leaves over. */
final readonly class StraightLine
{
    /**
     * @param  float  $sxx  sum of the squared distances of the times from their mean
     * @param  float  $ssr  sum of the squared residuals
     * @param  float  $lag1  correlation of neighbouring residuals, 0 to 0.98
     */
    private function __construct(public float $slope, public float $sxx, public float $ssr, public float $lag1)
    {
    }

    /** @param  non-empty-list<array{float, float}>  $points  [time, value], at least two times that differ */
    public static function through(array $points): self
    {
        $n = \count($points);
        $meanT = array_sum(array_column($points, 0)) / $n;
        $meanP = array_sum(array_column($points, 1)) / $n;
        $sxx = $sxy = 0.0;
        foreach ($points as [$t, $p]) {
            $sxx += ($t - $meanT) ** 2;
            $sxy += ($t - $meanT) * ($p - $meanP);
        }
        $slope = $sxy / $sxx;
        $ssr = $lagged = $before = 0.0;
        foreach ($points as $i => [$t, $p]) {
            $e = $p - $meanP - $slope * ($t - $meanT);
            $ssr += $e * $e;
            $lagged += $i === 0 ? 0.0 : $e * $before;
            $before = $e;
        }
        // What is left by the rounding of floats is nothing.
        $ssr = $ssr <= $n * (1e-12 * max(1.0, abs($meanP))) ** 2 ? 0.0 : $ssr;

        return new self($slope, $sxx, $ssr, $ssr === 0.0 ? 0.0 : max(0.0, min(0.98, $lagged / $ssr)));
    }
}
