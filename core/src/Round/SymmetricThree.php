<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

/** Eigenvalues of a symmetric matrix of three rows, in closed form (O. K. Smith, Communications of the ACM 4, 1961). */
final class SymmetricThree
{
    /**
     * @param  array<int, array<int, float>>  $m  3 × 3
     * @return array{float, float} the smallest and the largest
     */
    public static function extremes(array $m): array
    {
        [[$a, $d, $e], [, $b, $f], [, , $c]] = $m;
        $mean = ($a + $b + $c) / 3;
        [$a, $b, $c] = [$a - $mean, $b - $mean, $c - $mean];
        $size = sqrt(($a * $a + $b * $b + $c * $c + 2 * ($d * $d + $e * $e + $f * $f)) / 6);
        if ($size === 0.0) {
            return [$mean, $mean];
        }
        $determinant = $a * ($b * $c - $f * $f) - $d * ($d * $c - $f * $e) + $e * ($d * $f - $b * $e);
        $angle = acos(max(-1.0, min(1.0, $determinant / (2 * $size ** 3)))) / 3;

        return [$mean + 2 * $size * cos($angle + 2 * M_PI / 3), $mean + 2 * $size * cos($angle)];
    }
}
