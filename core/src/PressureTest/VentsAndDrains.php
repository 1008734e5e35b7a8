<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;

/** High points for air, low points for water; wiggles below the prominence do not count. */
#[Calculates(
    'vents-and-drains',
    'Where must air out and water drain?',
    Family::PressureTest,
    ['vents_m', 'drains_m'],
    'One walk with hysteresis',
)]
final class VentsAndDrains
{
    /**
     * @param  list<list<float>>  $profile
     * @return array{vents_m: list<float>, drains_m: list<float>}
     */
    public function __invoke(
        #[Rows('profile', ['chainage_m', 'elevation_m'], atLeast: 2)] array $profile,
        #[Measure('min_prominence_m', Quantity::Length, min: 0)] float $prominence = 0.1,
    ): array {
        $vents = $drains = [];
        $high = $low = $profile[0];
        $going = 0;
        foreach ($profile as $point) {
            if ($going >= 0) {
                $high = $point[1] > $high[1] ? $point : $high;
                if (Compare::atLeast($high[1] - $point[1], $prominence) && $point[1] < $high[1]) {
                    $vents[] = $high[0];
                    [$going, $low] = [-1, $point];

                    continue;
                }
            }
            if ($going <= 0) {
                $low = $point[1] < $low[1] ? $point : $low;
                if (Compare::atLeast($point[1] - $low[1], $prominence) && $point[1] > $low[1]) {
                    $drains[] = $low[0];
                    [$going, $high] = [1, $point];
                }
            }
        }
        if ($going > 0) {
            $vents[] = $high[0];
        } elseif ($going < 0) {
            $drains[] = $low[0];
        }

        return ['vents_m' => $vents, 'drains_m' => $drains];
    }
}
