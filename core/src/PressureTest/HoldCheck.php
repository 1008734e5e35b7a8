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

/** Did the logged pressure stay where the procedure wants it? A gap in the log tells nothing, so it cannot pass. */
#[Calculates('hold-check', 'Did the pressure stay in its band?', Family::PressureTest, ['lowest_kpa', 'highest_kpa', 'drop_kpa', 'verdict', 'outcome', 'why'], 'Bands of the procedure')]
final class HoldCheck
{
    /**
     * @param  list<list<float>>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Rows('readings', ['min', 'kPa'], atLeast: 2)] array $readings,
        #[Measure('target_kpa', Quantity::Pressure, above: 0)] float $target,
        #[Measure('duration_h', Quantity::Time, above: 0)] float $duration,
        #[Measure('band_below_kpa', Quantity::Pressure, min: 0)] ?float $below = null,
        #[Measure('band_above_kpa', Quantity::Pressure, min: 0)] ?float $above = null,
        #[Measure('max_drop_kpa', Quantity::Pressure, min: 0)] ?float $maxDrop = null,
        #[Measure('max_gap_min', Quantity::Time, above: 0)] float $maxGap = 900.0,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        if ($below === null && $maxDrop === null) {
            throw Refused::field('band_below', 'band_below or max_drop is wanted: without them there is nothing that a leak could break.');
        }
        $pressures = array_map(fn ($row) => $row[1] * 1000, $readings);
        [$lowest, $highest] = [min($pressures), max($pressures)];
        $drop = $pressures[0] - $pressures[count($pressures) - 1];
        [$outcome, $why] = match (true) {
            $below !== null && ! Compare::atLeast($lowest, $target - $below) => [Outcome::Fail, 'band_below'],
            $above !== null && ! Compare::atMost($highest, $target + $above) => [Outcome::Fail, 'band_above'],
            $maxDrop !== null && ! Compare::atMost($drop, $maxDrop) => [Outcome::Fail, 'max_drop'],
            $this->longestGap($readings) > $maxGap + 1e-6 => [Outcome::CannotTell, 'max_gap'],
            ! Compare::atLeast(60 * ($readings[count($readings) - 1][0] - $readings[0][0]), $duration) => [Outcome::NotFinished, null],
            default => [Outcome::Pass, null],
        };

        return [
            'lowest_kpa' => Si::kpa($lowest), 'highest_kpa' => Si::kpa($highest), 'drop_kpa' => Si::kpa($drop),
            ...Outcome::answer($outcome, $visibleLeak, $why),
        ];
    }

    /** @param  list<list<float>>  $readings */
    private function longestGap(array $readings): float
    {
        $longest = 0.0;
        for ($i = 1; $i < count($readings); $i++) {
            $longest = max($longest, 60 * ($readings[$i][0] - $readings[$i - 1][0]));
        }

        return $longest;
    }
}
