<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Refused;

/** Slope of a hold with an honest ± that respects correlated noise, and a robust slope beside it. */
#[Calculates('hold-slope', 'How fast does the pressure fall, and how sure is that?', Family::PressureTest, ['slope_kpa_h', 'u95_kpa_h', 'theil_sen_kpa_h', 'curved'], 'Least squares on block medians, effective sample size from the lag-1 correlation; Theil–Sen')]
final class HoldSlope
{
    private const MOST_BLOCKS = 240;

    private const LEAST_BLOCK_S = 60;

    private const MOST_FOR_PAIRS = 200;

    /**
     * @param  list<list<float>>|null  $series
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Part('trace', SyntheticTrace::class)] ?SyntheticTrace $trace = null,
        #[Rows('series', ['s', 'kPa', 'degC'], atLeast: 3, optional: 1)] ?array $series = null,
    ): array {
        if (($trace === null) === ($series === null)) {
            throw Refused::field('trace', 'trace or series: give exactly one of them.');
        }
        $blocks = self::blockMedians($series ?? $trace?->series() ?? []);
        if (count($blocks) < 3) {
            throw Refused::field($series === null ? 'trace' : 'series', 'the hold is too short: at least three minutes of readings are wanted.');
        }
        [$slope, $se] = $this->leastSquares($blocks);
        $robust = $this->theilSen($blocks);

        return [
            'slope_kpa_h' => $slope * 3600, 'u95_kpa_h' => 2 * $se * 3600, 'theil_sen_kpa_h' => $robust * 3600,
            'curved' => abs($slope - $robust) > 3 * $se,
        ];
    }

    /**
     * @param  list<list<float>>  $series
     * @return list<array{float, float}> mean time, median pressure of each block that has readings
     */
    public static function blockMedians(array $series): array
    {
        $first = $series[0][0];
        $span = $series[count($series) - 1][0] - $first;
        $length = max(self::LEAST_BLOCK_S, $span / self::MOST_BLOCKS);
        $blocks = $pressures = [];
        $times = 0.0;
        $until = $first + $length;
        foreach ($series as $row) {
            if ($row[0] >= $until - 1e-9 * $length && $pressures !== []) {
                $blocks[] = [$times / count($pressures), self::median($pressures)];
                $pressures = [];
                $times = 0.0;
                $until = $first + $length * (floor(($row[0] - $first) / $length + 1e-9) + 1);
            }
            $times += $row[0];
            $pressures[] = $row[1];
        }
        $blocks[] = [$times / count($pressures), self::median($pressures)];

        return $blocks;
    }

    /** @param  list<float>  $values */
    public static function median(array $values): float
    {
        sort($values);
        $n = count($values);

        return ($values[intdiv($n - 1, 2)] + $values[intdiv($n, 2)]) / 2;
    }

    /**
     * @param  list<array{float, float}>  $blocks
     * @return array{float, float} slope and its standard error
     */
    private function leastSquares(array $blocks): array
    {
        $n = count($blocks);
        $meanT = array_sum(array_column($blocks, 0)) / $n;
        $meanP = array_sum(array_column($blocks, 1)) / $n;
        $sxx = $sxy = 0.0;
        foreach ($blocks as [$t, $p]) {
            $sxx += ($t - $meanT) ** 2;
            $sxy += ($t - $meanT) * ($p - $meanP);
        }
        $slope = $sxy / $sxx;
        $sse = $lagged = $before = 0.0;
        foreach ($blocks as $i => [$t, $p]) {
            $e = $p - $meanP - $slope * ($t - $meanT);
            $sse += $e * $e;
            $lagged += $i === 0 ? 0.0 : $e * $before;
            $before = $e;
        }
        $r = $sse == 0.0 ? 0.0 : max(0.0, min(0.98, $lagged / $sse));
        $effective = max(3.0, $n * (1 - $r) / (1 + $r));

        return [$slope, sqrt($sse / $n * $effective / ($effective - 2) * $n / ($effective * $sxx))];
    }

    /** @param  list<array{float, float}>  $blocks */
    private function theilSen(array $blocks): float
    {
        $n = count($blocks);
        if ($n > self::MOST_FOR_PAIRS) {
            $picked = [];
            for ($i = 0; $i < self::MOST_FOR_PAIRS; $i++) {
                $picked[] = $blocks[(int) round($i * ($n - 1) / (self::MOST_FOR_PAIRS - 1))];
            }
            $blocks = $picked;
            $n = self::MOST_FOR_PAIRS;
        }
        $slopes = [];
        for ($i = 0; $i < $n; $i++) {
            for ($j = $i + 1; $j < $n; $j++) {
                $slopes[] = ($blocks[$j][1] - $blocks[$i][1]) / ($blocks[$j][0] - $blocks[$i][0]);
            }
        }

        return self::median($slopes);
    }
}
