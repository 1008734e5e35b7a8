<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** What the gauge must show so that the lowest point is not overloaded and the highest still gets its minimum. */
#[Calculates(
    'test-gauge-window',
    'What must the gauge show?',
    Family::PressureTest,
    ['gauge_min_kpa', 'gauge_max_kpa', 'feasible', 'governs_min', 'governs_max', 'point_kpa', 'within'],
    'Hydrostatics',
)]
final class TestGaugeWindow
{
    /**
     * @param  list<LevelPoint>  $points
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('points', LevelPoint::class)] array $points,
        #[Measure('gauge_elevation_m', Quantity::Length)] float $gaugeElevation,
        #[Measure('density_kg_m3', Quantity::Density, min: 900, max: 1100)] ?float $density = null,
        #[Measure('t_water_degc', Quantity::Temperature)] ?float $waterTemperature = null,
        #[Measure('p_gauge_kpa', Quantity::Pressure, min: 0)] ?float $gauge = null,
    ): array {
        if ($waterTemperature !== null) {
            Water::mustBeLiquid($waterTemperature);
        }
        $density ??= $waterTemperature === null ? 1000.0 : Water::density($waterTemperature);
        $min = 0.0;
        $max = INF;
        $governsMin = $governsMax = null;
        $at = [];
        foreach ($points as $i => $point) {
            $below = $density * Si::GRAVITY * ($gaugeElevation - $point->elevation);
            if ($point->min !== null && $point->min - $below > $min) {
                [$min, $governsMin] = [$point->min - $below, $i];
            }
            if ($point->max !== null && $point->max - $below < $max) {
                [$max, $governsMax] = [$point->max - $below, $i];
            }
            $at[] = $gauge === null ? null : Si::kpa($gauge + $below);
        }
        if ($governsMax === null) {
            throw Refused::field('p_max', 'p_max is missing at every point: overloading could not be judged.');
        }

        return [
            'gauge_min_kpa' => Si::kpa($min), 'gauge_max_kpa' => Si::kpa($max), 'feasible' => Compare::atMost($min, $max),
            'governs_min' => $governsMin, 'governs_max' => $governsMax,
        ] + ($gauge === null ? [] : ['point_kpa' => $at, 'within' => Compare::atLeast($gauge, $min) && Compare::atMost($gauge, $max)]);
    }
}
