<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Phases;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\PressureTest\Series;
use Diastoma\Core\Round\Median;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/** The phases of a test, found in its log: fill, ramps and steps, settling, hold, what was injected, and how it was let down. */
#[Calculates(
    'log-segment',
    'Which phases does the log hold?',
    Family::PressureTest,
    ['phases', 'injected_in_hold'],
    'Slopes of block medians in shares of the test pressure (common practice)',
    codes: ['phases' => ['fill', 'ramp', 'step', 'stabilise', 'hold', 'injection', 'bleed-down', 'depressurise', 'rest']],
)]
final class LogSegment
{
    /** A rise of more than this share of the test pressure is a ramp; under it the line is not up yet, or down again. */
    private const LOW = 0.1;

    /** From this share on a line is at pressure. */
    private const UP = 0.8;

    /**
     * @param  non-empty-list<list<float>>  $series
     * @return array{phases: list<array<string, mixed>>, injected_in_hold: bool}
     */
    public function __invoke(
        #[Rows('series', ['s', 'kPa'], atLeast: 2)] array $series,
        #[Measure('stp_kpa', Quantity::Pressure, above: 0)] float $test,
        #[Measure('stable_rate_kpa_h', Quantity::PressureRate, above: 0)] float $stableRate = 25 * Unit::PSI / 3600,
        #[Measure('stabilise_min', Quantity::Time, min: 0, about: 'at least so long')] float $stabilise = 1800.0,
        #[Measure('window_min', Quantity::Time, above: 0, about: 'over which a fall is watched')] float $window = 600.0,
        #[Number('rise_percent_per_min', above: 0, max: 100, about: 'of the test pressure')] float $rise = 0.5,
        #[Number('fall_percent_per_min', above: 0, max: 100, about: 'of the test pressure')] float $fall = 2.0,
    ): array {
        $stp = Si::kpa($test);
        $blocks = Blocks::of($series);
        $runs = Runs::of($blocks, $rise / 100 * $stp, $fall / 100 * $stp);
        $main = -1;
        foreach ($runs as $i => $run) {
            $main = $run->way === Run::UP && $run->gain($blocks) > self::LOW * $stp ? $i : $main;
        }
        $upAt = $main < 0 ? $blocks->starts[0] : $blocks->endOf($runs[$main]->to);
        $isHeld = $wasInjected = false;
        $phases = [];
        foreach ($runs as $i => $run) {
            $name = $this->name($run, $blocks, $i <= $main, $stp, $isHeld);
            $from = $name === 'stabilise' ? $this->holdFrom($run, $blocks, $upAt + $stabilise, $stableRate, $window) : null;
            if ($from !== null) {
                $isHeld = true;
                if ($from > $run->from) {
                    $phases[] = $this->phase('stabilise', new Run($run->way, $run->from, $from - 1), $blocks);
                }
                [$name, $run] = ['hold', new Run($run->way, $from, $run->to)];
            }
            $wasInjected = $wasInjected || ($name === 'injection' && $isHeld);
            $phases[] = $this->phase($name, $run, $blocks);
        }

        return ['phases' => $phases, 'injected_in_hold' => $wasInjected];
    }

    private function name(Run $run, Blocks $blocks, bool $untilUp, float $stp, bool $isHeld): string
    {
        $level = Median::of($run->levels($blocks));

        return match (true) {
            $run->way === Run::DOWN => $blocks->pressures[$run->to] < self::LOW * $stp ? 'depressurise' : 'bleed-down',
            $run->way === Run::UP => $untilUp ? 'ramp' : 'injection',
            $untilUp => $level < self::LOW * $stp ? 'fill' : 'step',
            $level < self::UP * $stp => 'rest',
            default => $isHeld ? 'hold' : 'stabilise',
        };
    }

    /** @return int|null the block from which the line is stable; null: never in this run */
    private function holdFrom(Run $run, Blocks $blocks, float $notBefore, float $stableRate, float $window): ?int
    {
        $back = $run->from;
        for ($i = $run->from; $i <= $run->to; $i++) {
            $at = $blocks->starts[$i];
            if ($at < $notBefore - 1e-6 || $at - $blocks->starts[$run->from] < $window - 1e-6) {
                continue;
            }
            while ($blocks->starts[$back + 1] <= $at - $window + 1e-6) {
                $back++;
            }
            $fell = 1000 * ($blocks->pressures[$back] - $blocks->pressures[$i]);
            if ($fell < $stableRate * ($at - $blocks->starts[$back])) {
                return $i;
            }
        }

        return null;
    }

    /** @return array<string, mixed> */
    private function phase(string $name, Run $run, Blocks $blocks): array
    {
        $levels = $run->levels($blocks);
        $seconds = $run->seconds($blocks);
        $fallen = 1000 * Series::greatestFall($levels);

        return [
            'name' => $name,
            'from_s' => $blocks->starts[$run->from],
            'to_s' => $blocks->endOf($run->to),
            'level_kpa' => Median::of($levels),
            'rate_kpa_min' => $seconds > 0 ? 60 * $run->gain($blocks) / $seconds : 0.0,
            'gain_kpa' => $run->gain($blocks),
            'max_fall_kpa' => Si::kpa($fallen),
        ];
    }
}
