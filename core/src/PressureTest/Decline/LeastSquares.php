<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Decline;

/** Coefficients of the columns whose sum comes nearest to some values. */
final class LeastSquares
{
    /**
     * @param  list<list<float>>  $columns  a few, each as long as the values
     * @param  list<float>  $values
     * @return list<float>|null  a coefficient for each column; null where the columns do not differ
     */
    public static function fit(array $columns, array $values): ?array
    {
        $k = \count($columns);
        $rows = [];
        foreach ($columns as $i => $column) {
            foreach ($columns as $j => $other) {
                $rows[$i][$j] = $j < $i ? $rows[$j][$i] : self::product($column, $other);
            }
            $rows[$i][$k] = self::product($column, $values);
        }

        return self::solve($rows, $k);
    }

    /**
     * What is left of the values.
     *
     * @param  list<list<float>>  $columns
     * @param  list<float>  $values
     * @param  list<float>  $coefficients
     * @return list<float>
     */
    public static function residuals(array $columns, array $values, array $coefficients): array
    {
        $left = [];
        foreach ($values as $i => $value) {
            foreach ($columns as $j => $column) {
                $value -= $coefficients[$j] * $column[$i];
            }
            $left[] = $value;
        }

        return $left;
    }

    /**
     * The sum of the squares of what is left.
     *
     * @param  list<list<float>>  $columns
     * @param  list<float>  $values
     * @param  list<float>  $coefficients
     */
    public static function squares(array $columns, array $values, array $coefficients): float
    {
        $left = self::residuals($columns, $values, $coefficients);

        return self::product($left, $left);
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    public static function product(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $x) {
            $sum += $x * $b[$i];
        }

        return $sum;
    }

    /**
     * Elimination with the largest pivot.
     *
     * @param  array<int, array<int, float>>  $m  rows with the right-hand side as last column
     * @return list<float>|null
     */
    private static function solve(array $m, int $k): ?array
    {
        for ($i = 0; $i < $k; $i++) {
            $pivot = $i;
            for ($r = $i + 1; $r < $k; $r++) {
                $pivot = abs($m[$r][$i]) > abs($m[$pivot][$i]) ? $r : $pivot;
            }
            if (abs($m[$pivot][$i]) < 1e-12) {
                return null;
            }
            [$m[$i], $m[$pivot]] = [$m[$pivot], $m[$i]];
            for ($r = 0; $r < $k; $r++) {
                $share = $r === $i ? 0.0 : $m[$r][$i] / $m[$i][$i];
                for ($c = $i; $share !== 0.0 && $c <= $k; $c++) {
                    $m[$r][$c] -= $share * $m[$i][$c];
                }
            }
        }

        return array_map(fn (int $i) => $m[$i][$k] / $m[$i][$i], range(0, $k - 1));
    }
}
