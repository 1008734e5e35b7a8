<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

/**
 * Least squares of y = a0 + sum over k of (a_k cos kθ + b_k sin kθ) on readings taken round a pipe.
 *
 * θ in radians, 0 at 12 o'clock, clockwise looking in the laying direction. Any angles; rank is checked.
 * One fit serves every caller: diameters (k = 2), gaps and cut faces (k = 1), radii (k = 1, 2, 3).
 */
final readonly class HarmonicFit
{
    private const SINGULAR = 1e-9;

    /**
     * @param  list<int>  $harmonics
     * @param  list<float>  $coefficients  a0, then a, b of each harmonic
     * @param  array<int, array<int, float>>  $normal  XᵀX
     * @param  list<list<float>>  $inverse  (XᵀX)⁻¹
     * @param  list<float>  $residuals  y - fit
     * @param  list<list<float>>  $design  rows of X
     */
    private function __construct(
        public array $harmonics,
        public array $coefficients,
        private array $normal,
        public array $inverse,
        public array $residuals,
        public float $ssr,
        private array $design,
    ) {
    }

    /**
     * @param  list<float>  $angles  rad
     * @param  list<float>  $values
     * @param  list<int>  $harmonics
     * @return self|null null when the angles cannot carry the unknowns
     */
    public static function of(array $angles, array $values, array $harmonics): ?self
    {
        $design = array_map(fn (float $t) => self::row($t, $harmonics), $angles);
        $p = 1 + 2 * \count($harmonics);
        if (\count($angles) < $p) {
            return null;
        }
        $normal = array_fill(0, $p, array_fill(0, $p, 0.0));
        $right = array_fill(0, $p, 0.0);
        foreach ($design as $i => $row) {
            foreach ($row as $r => $x) {
                $right[$r] += $x * $values[$i];
                for ($c = 0; $c <= $r; $c++) {
                    $normal[$r][$c] += $x * $row[$c];
                }
            }
        }
        for ($r = 1; $r < $p; $r++) {
            for ($c = 0; $c < $r; $c++) {
                $normal[$c][$r] = $normal[$r][$c];
            }
        }
        $inverse = self::invert($normal);
        if ($inverse === null) {
            return null;
        }
        $coefficients = array_map(fn (array $row) => self::dot($row, $right), $inverse);
        $residuals = [];
        foreach ($design as $i => $row) {
            $residuals[] = $values[$i] - self::dot($row, $coefficients);
        }

        return new self($harmonics, $coefficients, $normal, $inverse, $residuals, self::dot($residuals, $residuals), $design);
    }

    public function mean(): float
    {
        return $this->coefficients[0];
    }

    /** @return array{float, float} a_k, b_k */
    public function pair(int $k): array
    {
        $at = 1 + 2 * $this->position($k);

        return [$this->coefficients[$at], $this->coefficients[$at + 1]];
    }

    public function amplitude(int $k): float
    {
        return hypot(...$this->pair($k));
    }

    /** Direction of the greatest value of harmonic k, rad, 0 <= direction < 2π/k. */
    public function direction(int $k): float
    {
        [$a, $b] = $this->pair($k);
        $period = 2 * M_PI / $k;
        $direction = fmod(atan2($b, $a) / $k + $period, $period);

        return $direction >= $period - 1e-11 ? 0.0 : $direction;
    }

    /** @return array{float, float, float} V/σ² of (a_k, b_k): [aa, ab, bb] */
    public function block(int $k): array
    {
        $at = 1 + 2 * $this->position($k);

        return [$this->inverse[$at][$at], $this->inverse[$at][$at + 1], $this->inverse[$at + 1][$at + 1]];
    }

    /** How many times worse than by evenly spread readings harmonic k is known, in its worst direction; 1 is ideal. */
    public function inflation(int $k): float
    {
        [$p, $q, $r] = $this->block($k);

        return sqrt((($p + $r) / 2 + sqrt((($p - $r) / 2) ** 2 + $q ** 2)) * $this->n() / 2);
    }

    /** Wald statistic cᵀV⁻¹c of harmonic k for the standard uncertainty $sigma of one reading. */
    public function wald(int $k, float $sigma): float
    {
        [$a, $b] = $this->pair($k);
        [$p, $q, $r] = $this->block($k);

        return ($a * $a * $r - 2 * $a * $b * $q + $b * $b * $p) / ($p * $r - $q * $q) / $sigma ** 2;
    }

    /** Diagonal of the hat matrix. */
    public function leverage(int $i): float
    {
        $row = $this->design[$i];

        return self::dot($row, array_map(fn (array $line) => self::dot($line, $row), $this->inverse));
    }

    public function value(float $angle): float
    {
        return self::dot(self::row($angle, $this->harmonics), $this->coefficients);
    }

    public function n(): int
    {
        return \count($this->residuals);
    }

    /** Number of unknowns. */
    public function p(): int
    {
        return \count($this->coefficients);
    }

    /** Standard deviation of a reading from the residuals; null when nothing is left to judge it by. */
    public function s(): ?float
    {
        return $this->n() > $this->p() ? sqrt($this->ssr / ($this->n() - $this->p())) : null;
    }

    /** Condition number of X for one harmonic: root of the ratio of the largest and the smallest eigenvalue of XᵀX. */
    public function condition(): float
    {
        if (\count($this->harmonics) !== 1) {
            throw new \LogicException('The condition of one harmonic is asked for');
        }
        [$small, $large] = SymmetricThree::extremes($this->normal);

        return $small > 0 ? sqrt($large / $small) : INF;
    }

    /** @return array{float, float} angle (rad) and value of the greatest point of the fitted curve; $sign -1 for the smallest */
    public function extreme(int $sign = 1): array
    {
        if ($this->harmonics === [1]) {
            $angle = fmod($this->direction(1) + ($sign < 0 ? M_PI : 0), 2 * M_PI);

            return [$angle, $this->mean() + $sign * $this->amplitude(1)];
        }
        $best = 0;
        for ($d = 1; $d < 360; $d++) {
            if ($sign * $this->value(deg2rad($d)) > $sign * $this->value(deg2rad($best))) {
                $best = $d;
            }
        }
        $low = deg2rad($best - 1);
        $high = deg2rad($best + 1);
        for ($i = 0; $i < 80; $i++) {
            $a = $low + ($high - $low) / 3;
            $b = $high - ($high - $low) / 3;
            $sign * $this->value($a) < $sign * $this->value($b) ? $low = $a : $high = $b;
        }
        $angle = ($low + $high) / 2;

        return [fmod($angle + 2 * M_PI, 2 * M_PI), $this->value($angle)];
    }

    private function position(int $k): int
    {
        $at = array_search($k, $this->harmonics, true);

        return $at === false ? throw new \LogicException("Harmonic {$k} was not fitted") : (int) $at;
    }

    /**
     * @param  list<int>  $harmonics
     * @return list<float>
     */
    private static function row(float $angle, array $harmonics): array
    {
        $row = [1.0];
        foreach ($harmonics as $k) {
            $row[] = cos($k * $angle);
            $row[] = sin($k * $angle);
        }

        return $row;
    }

    /**
     * @param  array<int, float>  $a
     * @param  array<int, float>  $b  the same places
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $x) {
            $sum += $x * $b[$i];
        }

        return $sum;
    }

    /**
     * Gauss–Jordan with pivoting.
     *
     * @param  array<int, array<int, float>>  $m
     * @return list<list<float>>|null
     */
    private static function invert(array $m): ?array
    {
        $p = \count($m);
        $largest = max([0.0, ...array_map(abs(...), array_merge(...array_values($m)))]);
        $inverse = [];
        for ($r = 0; $r < $p; $r++) {
            $inverse[$r] = array_fill(0, $p, 0.0);
            $inverse[$r][$r] = 1.0;
        }
        for ($c = 0; $c < $p; $c++) {
            $pivot = $c;
            for ($r = $c + 1; $r < $p; $r++) {
                if (abs($m[$r][$c]) > abs($m[$pivot][$c])) {
                    $pivot = $r;
                }
            }
            if (abs($m[$pivot][$c]) < self::SINGULAR * $largest) {
                return null;
            }
            [$m[$c], $m[$pivot]] = [$m[$pivot], $m[$c]];
            [$inverse[$c], $inverse[$pivot]] = [$inverse[$pivot], $inverse[$c]];
            $by = $m[$c][$c];
            for ($j = 0; $j < $p; $j++) {
                $m[$c][$j] /= $by;
                $inverse[$c][$j] /= $by;
            }
            for ($r = 0; $r < $p; $r++) {
                $times = $m[$r][$c];
                if ($r === $c || $times == 0) {
                    continue;
                }
                for ($j = 0; $j < $p; $j++) {
                    $m[$r][$j] -= $times * $m[$c][$j];
                    $inverse[$r][$j] -= $times * $inverse[$c][$j];
                }
            }
        }

        return array_map(array_values(...), array_values($inverse));
    }
}
