<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Did the logged pressure stay where the procedure wants it? Every reading counts: a dip in the middle is a fall though
 * the pressure came back. A gap in the log tells nothing, and neither does a line that never was at its pressure or that
 * gained some: none of them can pass.
 */
#[Calculates(
    'hold-check',
    'Did the pressure stay in its band?',
    Family::PressureTest,
    ['lowest_kpa', 'highest_kpa', 'drop_kpa', 'rise_kpa', 'least_kpa', 'most_kpa', 'verdict', 'outcome', 'why'],
    'Bands of the procedure; start within 2 %, gain up to 0.5 % of the target: common practice',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'why' => ['band_below', 'band_above', 'max_drop', 'start_tol', 'max_gain', 'max_gap', 'visible_leak'],
        'outcome' => ['pass', 'fail', 'cannot-tell', 'not-finished'],
    ],
)]
final class HoldCheck
{
    /** How far from its target the line may be when the clock starts, where no band says it (common practice). */
    private const START_SHARE = 0.02;

    /** What a gauge may flicker upwards before it is a gain: steps of the gauge, share of the target (common practice). */
    private const GAIN_STEPS = 3;

    private const GAIN_SHARE = 0.005;

    /**
     * @param  non-empty-list<list<float>>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Rows('readings', ['min', 'kPa'], atLeast: 2)] array $readings,
        #[Measure('target_kpa', Quantity::Pressure, above: 0)] float $target,
        #[Measure('duration_h', Quantity::Time, above: 0)] float $duration,
        #[Measure('band_below_kpa', Quantity::Pressure, min: 0)] ?float $below = null,
        #[Measure('band_above_kpa', Quantity::Pressure, min: 0)] ?float $above = null,
        #[Measure('max_drop_kpa', Quantity::Pressure, min: 0)] ?float $maxDrop = null,
        #[Measure('max_gain_kpa', Quantity::Pressure, min: 0, about: 'more than this above the first reading: warmed or pumped')]
        ?float $maxGain = null,
        #[Measure('start_tol_kpa', Quantity::Pressure, min: 0, about: 'how far from the target the first reading may be')]
        ?float $startTolerance = null,
        #[Measure('resolution_kpa', Quantity::Pressure, min: 0, about: 'step of the gauge')] float $resolution = 0.0,
        #[Measure('max_gap_min', Quantity::Time, above: 0)] float $maxGap = 900.0,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        if ($below === null && $maxDrop === null) {
            throw Refused::field('band_below', 'band_below or max_drop is wanted: without them there is nothing that a leak could break.');
        }
        $pressures = array_map(fn ($row) => $row[1] * 1000, $readings);
        [$lowest, $highest] = [min($pressures), max($pressures)];
        $drop = Series::greatestFall($pressures);
        $rise = $highest - $pressures[0];
        $startTolerance ??= self::START_SHARE * $target;
        $mayGain =
            $maxDrop === null && $maxGain === null ? INF : $maxGain ?? max(self::GAIN_STEPS * $resolution, self::GAIN_SHARE * $target);
        [$outcome, $why] = match (true) {
            $below !== null && ! Compare::atLeast($lowest, $target - $below) => [Outcome::Fail, 'band_below'],
            $above !== null && ! Compare::atMost($highest, $target + $above) => [Outcome::Fail, 'band_above'],
            $maxDrop !== null && ! Compare::atMost($drop, $maxDrop) => [Outcome::Fail, 'max_drop'],
            ! Compare::atLeast($pressures[0], $target - ($below ?? $startTolerance)) => [Outcome::CannotTell, 'start_tol'],
            ! Compare::atMost($pressures[0], $target + ($above ?? $startTolerance)) => [Outcome::CannotTell, 'start_tol'],
            $mayGain !== INF && ! Compare::atMost($rise, $mayGain) => [Outcome::CannotTell, 'max_gain'],
            60 * Series::longestGap($readings) > $maxGap + 1e-6 => [Outcome::CannotTell, 'max_gap'],
            ! Compare::atLeast(60 * ($readings[\count($readings) - 1][0] - $readings[0][0]), $duration) => [Outcome::NotFinished, null],
            default => [Outcome::Pass, null],
        };

        return [
            'lowest_kpa' => Si::kpa($lowest),
            'highest_kpa' => Si::kpa($highest),
            'drop_kpa' => Si::kpa($drop),
            'rise_kpa' => Si::kpa($rise),
            'least_kpa' => $below === null ? null : Si::kpa($target - $below),
            'most_kpa' => $above === null ? null : Si::kpa($target + $above),
            ...Outcome::answer($outcome, $visibleLeak, $why),
        ];
    }
}
