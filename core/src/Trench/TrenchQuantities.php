<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * What is brought to a stretch of trench and what is taken away from it, as the foreman orders it: {@see TrenchVolumes} for the
 * layers, {@see EarthHaul} for the trucks. Bells and the hollows under them are left out, waste is not added.
 */
#[Calculates(
    'trench-quantities',
    'What is brought to this trench, and what is taken away?',
    Family::Gasketed,
    [
        'length_m', 'top_width_m', 'dug_earth_m3', 'bedding_earth_m3', 'embedment_earth_m3', 'refill_earth_m3', 'bring_earth_m3',
        'over_earth_m3', 'loads', 'leaves',
    ],
    'Geometry: trapezoids less the segment of a circle; swell and shrink: common practice',
    codes: ['leaves' => ['over', 'short']],
)]
final class TrenchQuantities
{
    /**
     * @return array{
     *     length_m: float, top_width_m: float, dug_earth_m3: float, bedding_earth_m3: float, embedment_earth_m3: float,
     *     refill_earth_m3: float, bring_earth_m3: float, over_earth_m3: float, loads: int, leaves: list<string>
     * } dug as it lay; bedding, embedment (haunch, sides and first cover) and refill as compacted, so what is brought; left over
     *   loose, as it lies on the truck. Below 0: soil is short, and none is taken away
     */
    public function __invoke(
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] float $od,
        #[Measure('width_m', Quantity::Length, above: 0, max: 20, about: 'at the bottom')] float $width,
        #[Measure('depth_m', Quantity::Length, above: 0, max: 30)] float $depth,
        #[Measure('bedding_m', Quantity::Length, min: 0, max: 2)] float $bedding,
        #[Measure('initial_cover_m', Quantity::Length, min: 0, max: 5, about: 'over the crown')] float $cover,
        #[Number('from_m', min: -1e6, max: 1e6)] float $from,
        #[Number('to_m', min: -1e6, max: 1e6)] float $to,
        #[Flag('reuse', about: 'what was dug goes back above the first cover')] bool $reuse,
        #[Number('swell_pct', min: 0, max: 100)] float $swell,
        #[Number('shrink_pct', min: -50, max: 50)] float $shrink,
        #[Measure('truck_earth_m3', Quantity::Volume, above: 0, max: 200)] float $truck,
        #[Number('side_slope_h_per_v', min: 0, max: 5, about: 'run for each metre of rise; 0: upright')] float $slope = 0.0,
    ): array {
        if ($to <= $from) {
            throw Refused::field('to_m', "to_m is {$to}, and from_m is {$from}: a stretch has a length.");
        }
        $of = (new TrenchVolumes)($od, $width, $depth, $bedding, $cover, 0.0, $slope, $to - $from);
        $embedment = $of['haunch_m3'] + $of['side_m3'] + $of['initial_cover_m3'];
        // By volume alone: what a truck may carry is on its papers, and the driver knows it.
        $haul = (new EarthHaul)($of['excavation_m3'], $swell / 100, $reuse ? $of['main_m3'] : 0.0, $shrink / 100, $truck, 1e9, 1800.0);

        return [
            'length_m' => $to - $from,
            'top_width_m' => $of['top_width_m'],
            'dug_earth_m3' => $of['excavation_m3'],
            'bedding_earth_m3' => $of['bedding_m3'],
            'embedment_earth_m3' => $embedment,
            'refill_earth_m3' => $of['main_m3'],
            'bring_earth_m3' => $of['bedding_m3'] + $embedment + ($reuse ? 0.0 : $of['main_m3']),
            'over_earth_m3' => $haul['surplus_loose_m3'],
            'loads' => $haul['loads_by_volume'],
            'leaves' => [$haul['surplus_loose_m3'] < 0 ? 'short' : 'over'],
        ];
    }
}
