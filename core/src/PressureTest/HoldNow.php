<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Compare;
use Diastoma\Core\PressureTest\Decline\Decline;
use Diastoma\Core\PressureTest\Decline\DeclineReader;
use Diastoma\Core\PressureTest\Decline\HoldBlocks;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * What the crew at the gauge does now, while the readings still come: raise, add water, let down, leave it, or let it down
 * because it is over. An aid: what the hold was worth is judged by the method when the log is whole.
 */
#[Calculates(
    'hold-now',
    'What is to be done at the gauge now?',
    Family::PressureTest,
    [
        'phase', 'act', 'p_kpa', 'target_kpa', 'least_kpa', 'most_kpa', 'need_kpa', 'off_kpa', 'rise_kpa_min', 'began_min',
        'held_min', 'to_go_min', 'looks',
    ],
    'A hold that is kept up counts while it stays in its band; one that is shut, from the last water that was pumped in',
    codes: [
        'phase' => ['raise', 'hold', 'over'],
        'act' => ['raise', 'add-water', 'let-down', 'leave', 'fell', 'enough', 'over-most', 'too-fast'],
        'looks' => Decline::CLASSES,
    ],
)]
final class HoldNow
{
    /** So near to the target it counts as raised (common practice). */
    private const START_SHARE = 0.01;

    /** A rise of less than that in one reading is the gauge, and nobody's pump, kPa (common practice). */
    private const PUMPED_KPA = 3.0;

    /** A ramp is read over that, min: one reading is the gauge's own. */
    private const RISE_OVER_MIN = 0.5;

    /** Enough of a shut hold to say how it falls, min. */
    private const TOLD_FROM_MIN = 20.0;

    /**
     * @param  list<list<float>>  $samples
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Rows('samples', ['t_min', 'pressure_kpa', 'added_l', 'temp_c'], optional: 2)] array $samples,
        #[Measure('target_kpa', Quantity::Pressure, above: 0)] float $target,
        #[Measure('hold_min', Quantity::Time, above: 0)] float $hold,
        #[Measure('band_below_kpa', Quantity::Pressure, min: 0)] float $below = 0.0,
        #[Measure('band_above_kpa', Quantity::Pressure, min: 0, about: 'as below; where it is shut, none')] ?float $above = null,
        #[Flag('shut', about: 'no water goes in during the hold')] bool $shut = false,
        #[Measure('p_most_kpa', Quantity::Pressure, above: 0, about: 'what the weakest part may see')] ?float $most = null,
        #[Measure('no_water_l', Quantity::Volume, min: 0, about: 'what a meter may flicker by')] float $flicker = 5e-5,
        #[Flag('plastic', about: 'polyethylene or composite: it creeps')] bool $plastic = false,
        #[Measure('rated_kpa', Quantity::Pressure, above: 0, about: 'of which the ramp is a share')] ?float $rated = null,
        #[Percent('ramp_percent_per_min', max: 100)] ?float $ramp = null,
        #[Measure('max_gap_min', Quantity::Time, above: 0, about: 'longer without a reading, and nobody knows')] float $gap = 900.0,
    ): array {
        if (($rated === null) !== ($ramp === null)) {
            throw Refused::field($rated === null ? 'rated' : 'ramp_percent_per_min', 'rated and ramp_percent_per_min: give both or none.');
        }
        [$target, $below, $hold] = [Si::kpa($target), Si::kpa($below), $hold / 60];
        $border = $target + ($above === null ? ($shut ? INF : $below) : Si::kpa($above));
        $band = new PressureBand($target, $target - $below, $border, $target - min($below, self::START_SHARE * $target));
        $last = $samples[\count($samples) - 1];
        $stretch = $shut
            ? HeldStretch::shut($samples, $band, $gap / 60, $hold, self::PUMPED_KPA, Si::litres($flicker))
            : HeldStretch::kept($samples, $band, $gap / 60, $hold);
        $held = $stretch === null ? 0.0 : $stretch->minutes();
        $isOver = $stretch !== null && Compare::atMost($hold, $held);
        $act = match (true) {
            $most !== null && ! Compare::atMost($last[1], Si::kpa($most)) => 'over-most',
            $ramp !== null && ! Compare::atMost(self::rise($samples), $ramp / 100 * Si::kpa((float) $rated)) => 'too-fast',
            $isOver => 'enough',
            $band->isOver($last[1]) => 'let-down',
            ! $band->wasReached($samples) => 'raise',
            $band->isUnder($last[1]) => $shut ? 'fell' : 'add-water',
            default => $stretch?->goesOn === true ? 'leave' : 'raise',
        };

        return array_filter([
            'phase' => match ($act) {
                'raise' => 'raise', 'enough' => 'over', default => 'hold',
            },
            'act' => $act,
            'p_kpa' => $last[1],
            'target_kpa' => $target,
            'least_kpa' => $band->least,
            'most_kpa' => is_finite($band->most) ? $band->most : null,
            'need_kpa' => $target - $last[1],
            'off_kpa' => $band->off($last[1]),
            'rise_kpa_min' => $ramp === null ? null : self::rise($samples),
            'began_min' => $stretch?->from,
            'held_min' => $held,
            'to_go_min' => $act === 'leave' ? $hold - $held : null,
            'looks' => $shut && $act === 'leave' && $stretch !== null ? self::looks($samples, $stretch, $plastic) : null,
        ], fn (mixed $value) => $value !== null);
    }

    /**
     * @param  list<list<float>>  $samples
     * @return float kPa in a minute, over the last half of one at least
     */
    private static function rise(array $samples): float
    {
        $last = $samples[\count($samples) - 1];
        $before = array_filter($samples, fn (array $row) => $row[0] <= $last[0] - self::RISE_OVER_MIN + 1e-9);
        $from = $before === [] ? $samples[0] : $before[array_key_last($before)];

        return $last[0] > $from[0] ? ($last[1] - $from[1]) / ($last[0] - $from[0]) : 0.0;
    }

    /** @param  list<list<float>>  $samples */
    private static function looks(array $samples, HeldStretch $stretch, bool $plastic): ?string
    {
        if ($stretch->minutes() < self::TOLD_FROM_MIN) {
            return null;
        }
        $series = (new TestLog($samples))->series($stretch->from, $stretch->to);

        return (new DeclineReader(plastic: $plastic))->read(HoldBlocks::of($series))->class;
    }
}
