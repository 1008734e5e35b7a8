<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Columns;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\Median;
use Diastoma\Core\Round\Student;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Slope of a hold with an honest ± at 95 %: it respects noise with a memory and the steps of the gauge.
 *
 * A gauge that never moves proves nothing: without its step there is no answer. Where the noise remembers longer than
 * the hold lasts (`long_memory`) or the course is curved, the ± is no proof.
 */
#[Calculates(
    'hold-slope',
    'How fast does the pressure fall, and how sure is that?',
    Family::PressureTest,
    ['slope_kpa_h', 'u95_kpa_h', 'theil_sen_kpa_h', 'curved', 'long_memory'],
    'Least squares on block means; effective sample size from the corrected lag-1 correlation; batch means; Theil–Sen',
)]
final class HoldSlope
{
    private const MOST_BLOCKS = 240;

    private const LEAST_BLOCK_S = 60;

    private const MOST_FOR_PAIRS = 200;

    private const BATCHES = 10;

    /** A gauge that shows as many values has no step that matters. */
    private const MOST_VALUES = 4096;

    /** Fewer independent readings than this: the noise has a longer memory than the hold can tell. */
    private const LEAST_INDEPENDENT = 5;

    /**
     * @param  list<list<float>>|null  $series
     * @param  list<list<float>>|null  $leaveOut  excursions left out by name; nothing else is ever dropped
     * @param  list<list<float>>|null  $columns  the same as the series, column by column
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Part('trace', SyntheticTrace::class)] ?SyntheticTrace $trace = null,
        #[Rows('series', ['s', 'kPa', 'degC'], atLeast: 3, optional: 1)] ?array $series = null,
        #[Measure('resolution_kpa', Quantity::Pressure, above: 0, about: 'step of the gauge')] ?float $resolution = null,
        #[Rows('leave_out', ['from_s', 'to_s'], atLeast: 0, rising: false)] ?array $leaveOut = null,
        #[Columns('columns', ['t_s', 'pressure_kpa'], atLeast: 3, about: 'the series by its columns, for long logs')]
        ?array $columns = null,
    ): array {
        $given = array_keys(array_filter(['trace' => $trace, 'series' => $series, 'columns' => $columns], fn ($one) => $one !== null));
        if (\count($given) !== 1) {
            throw Refused::field('trace', 'trace, series or columns: give exactly one of them.');
        }
        $rows = $series ?? $trace?->series() ?? [];
        [$times, $pressures] = $this->without($columns ?? [array_column($rows, 0), array_column($rows, 1)], $leaveOut ?? []);
        $mean = fn (array $block): float => array_sum($block) / \count($block);
        $blocks = \count($times) < 3 ? [] : self::blocks($times, $pressures, $mean);
        if (\count($blocks) < 3) {
            throw Refused::field(
                $given[0],
                'the hold is too short: at least three minutes of readings are wanted.',
            );
        }
        $step = $resolution === null ? $this->smallestStep($pressures) : Si::kpa($resolution);
        $lasted = $times[\count($times) - 1] - $times[0];
        $line = StraightLine::through($blocks);
        $n = \count($blocks);

        $memory = $line->ssr === 0.0 ? 0.0 : min(0.98, $line->lag1 + (1 + 4 * $line->lag1) / $n);
        $independent = $n * (1 - $memory) / (1 + $memory);
        $counted = max(3.0, $independent);
        $se = sqrt($line->ssr / $n * $counted / ($counted - 2) * $n / ($counted * $line->sxx));
        $byFit = Student::quantile(0.975, max(1.0, $counted - 2)) * $se;
        // The steps of the gauge: the more of them the fall crosses, the better they average out.
        $byStep = 1.5 * $step / $lasted / sqrt(1 + abs($line->slope) * $lasted / $step);
        $u = max(hypot($byFit, $byStep), $this->byBatches($times, $pressures));
        $robust = $this->theilSen($blocks);

        return [
            'slope_kpa_h' => $line->slope * 3600,
            'u95_kpa_h' => $u * 3600,
            'theil_sen_kpa_h' => $robust * 3600,
            'curved' => abs($line->slope - $robust) > 3 * $se + 1e-9 * abs($robust),
            'long_memory' => $independent < self::LEAST_INDEPENDENT,
        ];
    }

    /**
     * Blocks of at least a minute, at most 240 of them, counted from the first sample.
     *
     * @param  list<float>  $times  s, rising
     * @param  list<float>  $pressures  kPa, as many
     * @param  callable(list<float>): float  $middle
     * @return list<array{float, float}> mean time and middle pressure of each block that has readings
     */
    public static function blocks(array $times, array $pressures, callable $middle): array
    {
        $first = $times[0];
        $span = $times[\count($times) - 1] - $first;
        $length = max(self::LEAST_BLOCK_S, $span / self::MOST_BLOCKS);
        $blocks = $block = [];
        $sum = 0.0;
        $until = $first + $length;
        foreach ($times as $i => $time) {
            if ($time >= $until - 1e-9 * $length && $block !== []) {
                $blocks[] = [$sum / \count($block), $middle($block)];
                $block = [];
                $sum = 0.0;
                $until = $first + $length * (floor(($time - $first) / $length + 1e-9) + 1);
            }
            $sum += $time;
            $block[] = $pressures[$i];
        }
        $blocks[] = [$sum / \count($block), $middle($block)];

        return $blocks;
    }

    /**
     * @param  list<list<float>>  $columns  times and pressures
     * @param  list<list<float>>  $stretches
     * @return list<list<float>>
     */
    private function without(array $columns, array $stretches): array
    {
        foreach ($stretches as [$from, $to]) {
            if ($to < $from) {
                throw Refused::field('leave_out', sprintf('leave_out: %g s comes before %g s.', $to, $from));
            }
        }
        if ($stretches === []) {
            return $columns;
        }
        $left = array_filter($columns[0], function (float $time) use ($stretches): bool {
            foreach ($stretches as [$from, $to]) {
                if ($time >= $from && $time <= $to) {
                    return true;
                }
            }

            return false;
        });

        return array_map(fn (array $column): array => array_values(array_diff_key($column, $left)), $columns);
    }

    /**
     * What the gauge shows to be its step, kPa: the smallest difference between values that differ.
     *
     * @param  list<float>  $pressures
     */
    private function smallestStep(array $pressures): float
    {
        $values = [];
        foreach ($pressures as $pressure) {
            $values[(string) $pressure] = $pressure;
            if (\count($values) === self::MOST_VALUES) {
                break;
            }
        }
        sort($values);
        $step = INF;
        for ($i = 1, $n = \count($values); $i < $n; $i++) {
            $step = min($step, $values[$i] - $values[$i - 1]);
        }
        if ($step === INF) {
            throw Refused::field(
                'resolution_kpa',
                'resolution_kpa is missing: all readings are the same, '.
                    'and a gauge that never moves proves nothing unless its step is known.',
            );
        }

        return $step;
    }

    /**
     * ± of the slope from ten equal batches: it sees a memory of the noise that the blocks do not.
     *
     * @param  list<float>  $times
     * @param  list<float>  $pressures
     * @return float kPa/s; 0 when there are too few batches to tell
     */
    private function byBatches(array $times, array $pressures): float
    {
        $first = $times[0];
        $length = ($times[\count($times) - 1] - $first) / self::BATCHES;
        $time = $pressure = array_fill(0, self::BATCHES, 0.0);
        $counts = array_fill(0, self::BATCHES, 0);
        foreach ($times as $i => $t) {
            $batch = min(self::BATCHES - 1, (int) (($t - $first) / $length + 1e-9));
            $time[$batch] += $t;
            $pressure[$batch] += $pressures[$i];
            $counts[$batch]++;
        }
        $means = [];
        foreach (array_keys(array_filter($counts)) as $batch) {
            $means[] = [$time[$batch] / $counts[$batch], $pressure[$batch] / $counts[$batch]];
        }
        $n = \count($means);
        if ($n < 3) {
            return 0.0;
        }
        $line = StraightLine::through($means);
        $memory = $line->ssr === 0.0 ? 0.0 : min(0.9, $line->lag1 + (1 + 4 * $line->lag1) / self::BATCHES);
        $wider = sqrt(max(1.0, (1 + $memory) / (1 - $memory) / (1.1 / 0.9)));

        return Student::quantile(0.975, $n - 2) * sqrt($line->ssr / ($n - 2) / $line->sxx) * $wider;
    }

    /** @param  list<array{float, float}>  $blocks */
    private function theilSen(array $blocks): float
    {
        $n = \count($blocks);
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

        return Median::of($slopes === [] ? [0.0] : $slopes);
    }
}
