<?php

declare(strict_types=1);

namespace Diastoma\Core\Leak;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** What a hole loses, or how wide a hole is that loses so much. Under water against outside pressure: the difference. */
#[Calculates(
    'hole-leak-water',
    'How much water does a hole lose?',
    Family::Mechanical,
    ['flow_m3_s', 'flow_l_h', 'hole_m'],
    'Discharge through an orifice',
)]
final class HoleLeakWater
{
    /** @return array{flow_m3_s: float, flow_l_h: float, hole_m: float} */
    public function __invoke(
        #[Measure('pressure_pa', Quantity::Pressure, min: 0)] float $pressure,
        #[Measure('hole_m', Quantity::Length, above: 0)] ?float $hole = null,
        #[Measure('flow_m3_s', Quantity::Flow, min: 0)] ?float $flow = null,
        #[Number('cd', min: 0.3, max: 1)] float $cd = Orifice::SHARP,
        #[Measure('density_kg_m3', Quantity::Density, above: 0)] float $density = Orifice::WATER,
    ): array {
        if (($hole === null) === ($flow === null)) {
            throw Refused::field('hole_m', 'hole_m or flow_m3_s is wanted: one of both.');
        }
        if ($hole === null && $pressure == 0.0) {
            throw Refused::field('pressure_pa', 'pressure_pa is 0: no hole loses anything then.');
        }
        $flow ??= Orifice::flow((float) $hole, $pressure, $cd, $density);
        $hole ??= sqrt(4 * $flow / ($cd * M_PI * sqrt(2 * $pressure / $density)));

        return ['flow_m3_s' => $flow, 'flow_l_h' => $flow * 3.6e6, 'hole_m' => $hole];
    }
}
