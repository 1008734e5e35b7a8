<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * What is dug out and what goes back, layer by layer, for a length of trench with sloping or upright walls. Bells and the hollows
 * under them are left out. All layers and the pipe together are the excavation.
 */
#[Calculates(
    'trench-volumes',
    'How much is dug out, and how much goes back in?',
    Family::Gasketed,
    [
        'bedding_m3', 'haunch_m3', 'side_m3', 'initial_cover_m3', 'main_m3', 'topsoil_m3', 'pipe_m3', 'excavation_m3', 'top_width_m',
        'tops_m',
    ],
    'Geometry: trapezoids less the segment of a circle',
    soil: true,
)]
final class TrenchVolumes
{
    /**
     * @return array{
     *     bedding_m3: float, haunch_m3: float, side_m3: float, initial_cover_m3: float, main_m3: float, topsoil_m3: float,
     *     pipe_m3: float, excavation_m3: float, top_width_m: float, tops_m: array<string, float>
     * } bank or compacted volume; `tops_m`: height of each layer's top above the trench bottom
     */
    public function __invoke(
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] float $od,
        #[Measure('width_m', Quantity::Length, above: 0, max: 20, about: 'at the bottom')] float $width,
        #[Measure('depth_m', Quantity::Length, above: 0, max: 30)] float $depth,
        #[Measure('bedding_m', Quantity::Length, min: 0, max: 2)] float $bedding,
        #[Measure('initial_cover_m', Quantity::Length, min: 0, max: 5)] float $cover,
        #[Measure('topsoil_m', Quantity::Length, min: 0, max: 3)] float $topsoil = 0.0,
        #[Number('side_slope_h_per_v', min: 0, max: 5, about: 'run for each metre of rise; 0: upright')] float $slope = 0.0,
        #[Measure('length_m', Quantity::Length, above: 0, max: 1e5)] float $length = 1.0,
        #[Number('haunch_fraction', min: 0, max: 1, about: 'of the diameter')] float $haunch = 0.5,
    ): array {
        if ($width <= $od) {
            throw Refused::field('width_m', "width_m is {$width} m: a pipe of {$od} m does not go in.");
        }
        $least = $bedding + $od + $cover + $topsoil;
        if (! Compare::atLeast($depth, $least)) {
            throw Refused::field('depth_m', "depth_m is {$depth} m; bedding, pipe, cover and topsoil alone are {$least} m.");
        }
        $section = new CrossSection($width, $slope, $od / 2, $bedding + $od / 2);
        $tops = [
            'bedding' => $bedding, 'haunch' => $bedding + $haunch * $od, 'side' => $bedding + $od,
            'initial_cover' => $bedding + $od + $cover, 'main' => $depth - $topsoil, 'topsoil' => $depth,
        ];
        $volumes = [];
        $from = 0.0;
        foreach ($tops as $layer => $to) {
            $volumes["{$layer}_m3"] = $length * $section->soilBetween($from, $to);
            $from = $to;
        }

        return $volumes + [
            'pipe_m3' => $length * M_PI * $od ** 2 / 4,
            'excavation_m3' => $length * $section->openBetween(0.0, $depth),
            'top_width_m' => $width + 2 * $slope * $depth,
            'tops_m' => $tops,
        ];
    }
}
