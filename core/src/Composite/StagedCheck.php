<?php

declare(strict_types=1);

namespace Diastoma\Core\Composite;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Compare;
use Diastoma\Core\PressureTest\Outcome;
use Diastoma\Core\PressureTest\Percent;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/** Was the staged test run as it must be, and did the line keep its pressure? A line still fading is told when it is stable. */
#[Calculates(
    'staged-check',
    'Was the staged test run right, and is it tight?',
    Family::PressureTest,
    ['max_psi', 'stable_psi_h', 'max_kpa', 'stable_kpa_h', 'stable_in_min', 'breaches', 'verdict', 'outcome', 'why'],
    'Common practice; time to stability: a decline that fades like an exponential',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'breaches' => ['ramp', 'overshoot', 'not-stable', 'hold', 'below-target'], 'outcome' => ['pass', 'fail', 'repeat'],
        'why' => ['visible_leak'],
    ],
)]
final class StagedCheck
{
    /** What cannot be mended by doing it again. */
    private const FAILS = ['overshoot', 'below-target'];

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('rated_psi', Quantity::Pressure, above: 0)] float $rated,
        #[Measure('target_psi', Quantity::Pressure, above: 0)] float $target,
        #[Number('max_ramp_percent_per_min', min: 0, about: 'the fastest that was logged, of the rating')] float $fastest,
        #[Measure('peak_psi', Quantity::Pressure, min: 0)] float $peak,
        #[Measure('decline_at_start_psi_h', Quantity::PressureRate, about: 'when the clock started')] float $decline,
        #[Measure('hold_h', Quantity::Time, min: 0)] float $hold,
        #[Measure('p_hold_min_psi', Quantity::Pressure, min: 0, about: 'lowest of the hold')] float $lowest,
        #[Number('ramp_limit_percent_per_min', above: 0, max: 20)] float $rampLimit = 20.0,
        #[Measure('min_hold_h', Quantity::Time, min: 2)] float $minHold = 2 * 3600.0,
        #[Measure('decline_before_psi_h', Quantity::PressureRate, about: 'an earlier rate')] ?float $before = null,
        #[Measure('between_min', Quantity::Time, above: 0, about: 'from that to the start of the clock')] ?float $between = null,
        #[Measure('overshoot_psi', Quantity::Pressure, min: 0)] float $overshoot = 200 * Unit::PSI,
        #[Percent('overshoot_share_percent', max: 25, about: 'of the target')] float $overshootShare = 5.0,
        #[Measure('maker_max_psi', Quantity::Pressure, above: 0, about: 'most that the maker\'s paper allows in a test')]
        ?float $makerMax = null,
        #[Text('maker_max_document', about: 'that paper')] ?string $document = null,
        #[Measure('stable_rate_psi_h', Quantity::PressureRate, above: 0)] float $stableRate = 25 * Unit::PSI / 3600,
        #[Number('stable_share_percent_per_h', above: 0, max: 100, about: 'of the target')] float $stableShare = 2.0,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        [$least, $most] = [StagedPressure::FACTOR_MIN * $rated, StagedPressure::FACTOR_MAX * $rated];
        if (! Compare::atLeast($target, $least) || ! Compare::atMost($target, $most)) {
            throw Refused::field('target', sprintf(
                'target is %.5g psi; allowed is 1.2 to 1.5 times the rating, %.5g to %.5g psi.',
                Si::psi($target),
                Si::psi($least),
                Si::psi($most),
            ));
        }
        if (($before === null) !== ($between === null)) {
            $missing = $before === null ? 'decline_before' : 'between';
            throw Refused::field($missing, "{$missing} is missing: an earlier rate goes with the time from it to the start of the clock.");
        }
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
        $limit = $staged->stableRate;
        // A line that gains as fast is not stable either.
        $isStable = Compare::atMost(abs($decline), $limit, strictly: true);
        $breaches = array_keys(array_filter([
            'ramp' => ! Compare::atMost($fastest, $rampLimit),
            'overshoot' => ! Compare::atMost($peak, $staged->max),
            'not-stable' => ! $isStable,
            'hold' => ! Compare::atLeast($hold, $minHold),
            'below-target' => ! Compare::atLeast($lowest, $target),
        ]));
        $outcome = match (true) {
            array_intersect($breaches, self::FAILS) !== [] => Outcome::Fail,
            $breaches !== [] => Outcome::Repeat,
            default => Outcome::Pass,
        };

        return [
            'max_psi' => Si::psi($staged->max),
            'stable_psi_h' => Si::psi($limit) * 3600,
            'max_kpa' => Si::kpa($staged->max),
            'stable_kpa_h' => Si::kpa($limit) * 3600,
            ...($before === null ? [] : ['stable_in_min' => $this->stableIn($decline, $before, (float) $between, $limit, $isStable)]),
            'breaches' => $breaches,
            ...Outcome::answer($outcome, $visibleLeak),
        ];
    }

    /** min until the decline is under its limit; null when it does not fade */
    private function stableIn(float $now, float $before, float $between, float $limit, bool $isStable): ?float
    {
        if ($isStable) {
            return 0.0;
        }

        return $now > 0 && $before > $now ? $between / 60 * log($now / $limit) / log($before / $now) : null;
    }
}
