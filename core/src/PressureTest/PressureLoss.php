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
 * The main test by pressure loss: small enough, and growing smaller. A gain may hide a leak and proves nothing; a fall in
 * between counts though the pressure came back.
 */
#[Calculates(
    'pressure-loss',
    'Did the pressure fall little, and ever less?',
    Family::PressureTest,
    ['drop_kpa', 'regressive', 'max_fall_kpa', 'verdict', 'outcome', 'why'],
    'EN 805:2000, 11.3.3.4.3; limits of the procedure',
    verdicts: ['good', 'bad', 'open'],
    codes: ['why' => ['limit', 'regressive', 'gain', 'visible_leak'], 'outcome' => ['pass', 'fail', 'cannot-tell']],
)]
final class PressureLoss
{
    /**
     * @param  non-empty-list<list<float>>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Rows('readings', ['min', 'kPa'], atLeast: 3)] array $readings,
        #[Measure('limit_kpa', Quantity::Pressure, above: 0)] float $limit,
        #[Measure('duration_min', Quantity::Time, above: 0)] float $duration = 3600.0,
        #[Measure('resolution_kpa', Quantity::Pressure, min: 0, about: 'step of the gauge')] float $resolution = 0.0,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        $first = $readings[0][0];
        $end = $first + $duration / 60;
        $latest = $readings[\count($readings) - 1][0];
        if (! Compare::atLeast($latest, $end)) {
            throw Refused::field(
                'readings',
                sprintf('readings end after %g min; the loss is judged over %g min.', $latest - $first, $duration / 60),
            );
        }
        [$half, $last] = [Series::at($readings, ($first + $end) / 2), Series::at($readings, $end)];
        $within = array_column(array_filter($readings, fn (array $row) => $row[0] < $end), 1);
        $fall = 1000 * Series::greatestFall([...$within, $last]);
        $drop = 1000 * ($readings[0][1] - $last);
        [$early, $late] = [1000 * ($readings[0][1] - $half), 1000 * ($half - $last)];
        $regressive = Compare::atMost($late, $early + $resolution);
        [$outcome, $why] = match (true) {
            ! Compare::atMost($fall, $limit) => [Outcome::Fail, 'limit'],
            ! Compare::atLeast($drop, -$resolution) => [Outcome::CannotTell, 'gain'],
            ! $regressive => [Outcome::Fail, 'regressive'],
            default => [Outcome::Pass, null],
        };

        return [
            'drop_kpa' => Si::kpa($drop), 'regressive' => $regressive, 'max_fall_kpa' => Si::kpa($fall),
            ...Outcome::answer($outcome, $visibleLeak, $why),
        ];
    }
}
