<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/**
 * Polyethylene by expansion and a watch: kept at the test pressure, lowered, shut, and within its share of the pressure for
 * an hour. Above its ceiling nothing passes; where the ceiling is not known, neither.
 */
#[Calculates(
    'pe-expansion-hold',
    'Did the stretched pipe keep its pressure?',
    Family::PressureTest,
    ['ceiling_kpa', 'deviation_percent', 'verdict', 'outcome', 'why'],
    'From memory: ASTM F2164, 2013 and later',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'why' => ['ceiling', 'expansion', 'phase', 'total', 'deviation', 'p_design', 'visible_leak'],
        'outcome' => ['pass', 'fail', 'repeat', 'not-finished', 'cannot-tell'],
    ],
)]
final class PeExpansionHold
{
    /** How far the watch may begin from the lowered test pressure, of that pressure (from memory). */
    private const START_SHARE = 0.02;

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('p_test_psi', Quantity::Pressure, above: 0)] float $test,
        #[Measure('expansion_h', Quantity::Time, min: 0)] float $expansion,
        #[Measure('p_phase_start_psi', Quantity::Pressure, above: 0)] float $start,
        #[Measure('phase_h', Quantity::Time, min: 0)] float $phase,
        #[Measure('p_phase_min_psi', Quantity::Pressure, min: 0)] float $lowest,
        #[Measure('p_phase_max_psi', Quantity::Pressure, min: 0)] ?float $highest = null,
        #[Measure('total_h', Quantity::Time, min: 0, about: 'whole time under pressure')] ?float $total = null,
        #[Measure('p_design_psi', Quantity::Pressure, above: 0, about: 'of the weakest part, at the lowest point')] ?float $design = null,
        #[Number('temp_factor', above: 0, max: 1, about: 'for the temperature of the pipe')] float $warm = 1.0,
        #[Number('ceiling_factor', min: 1, max: 1.5)] float $factor = 1.5,
        #[Measure('min_expansion_h', Quantity::Time, above: 0)] float $minExpansion = 4 * 3600.0,
        #[Measure('min_phase_h', Quantity::Time, above: 0)] float $minPhase = 3600.0,
        #[Measure('max_total_h', Quantity::Time, above: 0)] float $maxTotal = 8 * 3600.0,
        #[Measure('reduction_psi', Quantity::Pressure, above: 0)] float $reduction = 10 * Unit::PSI,
        #[Percent('deviation_limit_percent', max: 50)] float $limit = 5.0,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        if (! Compare::atMost(abs($start - ($test - $reduction)), self::START_SHARE * $test)) {
            throw Refused::field('p_phase_start', sprintf(
                'p_phase_start %.0f kPa: the watch begins at the test pressure less the reduction, %.0f kPa within %.0f kPa.',
                Si::kpa($start),
                Si::kpa($test - $reduction),
                Si::kpa(self::START_SHARE * $test),
            ));
        }
        $ceiling = $design === null ? null : $factor * $warm * $design;
        $short = ! Compare::atLeast($expansion, $minExpansion);
        $deviation = 100 * max($start - $lowest, ($highest ?? $start) - $start, $lowest - $start) / $start;
        [$outcome, $why] = match (true) {
            $ceiling !== null && ! Compare::atMost($test, $ceiling) => [Outcome::Fail, 'ceiling'],
            $short => [Outcome::NotFinished, 'expansion'],
            ! Compare::atLeast($phase, $minPhase) => [Outcome::NotFinished, 'phase'],
            $total !== null && ! Compare::atMost($total, $maxTotal) => [Outcome::Repeat, 'total'],
            ! Compare::atMost($deviation, $limit) => [Outcome::Fail, 'deviation'],
            $ceiling === null => [Outcome::CannotTell, 'p_design'],
            default => [Outcome::Pass, null],
        };

        return [
            ...($ceiling === null ? [] : ['ceiling_kpa' => Si::kpa($ceiling)]),
            'deviation_percent' => $deviation,
            ...Outcome::answer($outcome, $visibleLeak, $why),
        ];
    }
}
