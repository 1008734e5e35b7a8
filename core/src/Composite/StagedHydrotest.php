<?php

declare(strict_types=1);

namespace Diastoma\Core\Composite;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Compare;
use Diastoma\Core\PressureTest\Percent;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/** Ramp and steps of the water test of a flexible composite line. */
#[Calculates(
    'staged-hydrotest',
    'By which steps does the pressure rise?',
    Family::PressureTest,
    [
        'target_psi', 'levels_psi', 'ramp_min', 'stabilise_min', 'total_min', 'max_psi', 'max_by', 'stable_psi_h', 'target_kpa', 'max_kpa',
        'stable_kpa_h',
    ],
    'Common practice; shares from memory',
    codes: ['max_by' => ['overshoot', 'overshoot-share', 'rating', 'maker-max']],
)]
final class StagedHydrotest
{
    /** Half an hour to settle for each started stretch of 5000 ft (common practice). */
    private const SETTLE_MIN = 30;

    private const SETTLE_LENGTH_M = 5000 * 0.3048;

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('rated_psi', Quantity::Pressure, above: 0)] float $rated,
        #[Number('factor', min: StagedPressure::FACTOR_MIN, max: StagedPressure::FACTOR_MAX)] float $factor,
        #[Measure('length_ft', Quantity::Length, above: 0)] float $length,
        #[Measure('first_look_psi', Quantity::Pressure, above: 0, about: 'every bare connector is looked at, from the side')]
        float $firstLook = 500 * Unit::PSI,
        #[Measure('step_psi', Quantity::Pressure, above: 0)] float $step = 500 * Unit::PSI,
        #[Percent('step_share_percent', above: 0, about: 'of the target')] float $stepShare = 50.0,
        #[Measure('step_hold_min', Quantity::Time, min: 5, max: 15)] float $stepHold = 600.0,
        #[Number('ramp_percent_per_min', above: 0, max: 20, about: 'of the rating')] float $ramp = 20.0,
        #[Measure('hold_h', Quantity::Time, min: 2)] float $hold = 4 * 3600.0,
        #[Measure('overshoot_psi', Quantity::Pressure, min: 0)] float $overshoot = 200 * Unit::PSI,
        #[Percent('overshoot_share_percent', max: 25, about: 'of the target')] float $overshootShare = 5.0,
        #[Measure('maker_max_psi', Quantity::Pressure, above: 0, about: 'most that the maker\'s paper allows in a test')]
        ?float $makerMax = null,
        #[Text('maker_max_document', about: 'that paper')] ?string $document = null,
        #[Measure('stable_rate_psi_h', Quantity::PressureRate, above: 0)] float $stableRate = 25 * Unit::PSI / 3600,
        #[Number('stable_share_percent_per_h', above: 0, max: 100, about: 'of the target')] float $stableShare = 2.0,
    ): array {
        $target = $factor * $rated;
        $staged = StagedPressure::of(
            $rated,
            $target,
            $overshoot,
            $overshootShare,
            $makerMax,
            $document,
            $stableRate,
            $stableShare,
        );
        $levels = $this->levels($target, $firstLook, $step, $stepShare / 100 * $target);
        $rampTime = $target / ($ramp / 100 * $rated);
        $stabilise = self::SETTLE_MIN * ceil($length / self::SETTLE_LENGTH_M - 1e-9);

        return [
            'target_psi' => Si::psi($target),
            'levels_psi' => array_map(Si::psi(...), $levels),
            'ramp_min' => $rampTime,
            'stabilise_min' => $stabilise,
            'total_min' => $rampTime + $stepHold / 60 * (\count($levels) - 1) + $stabilise + $hold / 60,
            'max_psi' => Si::psi($staged->max),
            'max_by' => $staged->maxBy,
            'stable_psi_h' => Si::psi($staged->stableRate) * 3600,
            'target_kpa' => Si::kpa($target),
            'max_kpa' => Si::kpa($staged->max),
            'stable_kpa_h' => Si::kpa($staged->stableRate) * 3600,
        ];
    }

    /** @return list<float> Pa, the last of them the target */
    private function levels(float $target, float $firstLook, float $step, float $share): array
    {
        $levels = [];
        for ($level = min($firstLook, $share); ! Compare::atLeast($level, $target); $level += min($step, $share)) {
            $levels[] = $level;
        }

        return [...$levels, $target];
    }
}
