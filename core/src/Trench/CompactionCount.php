<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** How many density tests a length of trench asks for. */
#[Calculates(
    'compaction-count',
    'How many density tests are due?',
    Family::Gasketed,
    ['tests'],
    'One for each interval, lift and side; the interval is the procedure\'s',
)]
final class CompactionCount
{
    /** @return array{tests: int} */
    public function __invoke(
        #[Measure('length_m', Quantity::Length, above: 0, max: 1e6)] float $length,
        #[Measure('interval_m', Quantity::Length, above: 0, max: 1e6)] float $interval,
        #[Number('lifts_tested', min: 1, max: 1000, whole: true)] float $lifts,
        #[Number('sides', min: 1, max: 2, whole: true)] float $sides,
        #[Number('minimum', min: 1, max: 100000, whole: true)] float $minimum = 1.0,
    ): array {
        $places = ceil($length / $interval - 1e-9);
        if ($places > 1e9) {
            throw Refused::field('interval_m', "interval_m is {$interval} m: more tests than can be counted.");
        }

        return ['tests' => (int) max($minimum, $places * $lifts * $sides)];
    }
}
