<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** What a pipe weighs: barrel, lining and contents by its length, and the bell beside it. Decides slings, truck and flotation. */
#[Calculates(
    'pipe-mass',
    'What does the pipe weigh?',
    Family::Gasketed,
    ['mass_kg_per_m', 'mass_kg', 'bore_m'],
    'Geometry: rings of the outside diameter less twice the wall',
)]
final class PipeMass
{
    /** @return array{mass_kg_per_m: float, mass_kg: float, bore_m: float} */
    public function __invoke(
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] float $od,
        #[Measure('wall_m', Quantity::Length, above: 0)] float $wall,
        #[Measure('density_kg_m3', Quantity::Density, min: 500, max: 9000)] float $density,
        #[Measure('lining_m', Quantity::Length, min: 0)] float $lining = 0.0,
        #[Measure('lining_density_kg_m3', Quantity::Density, min: 500, max: 9000)] ?float $liningDensity = null,
        #[Measure('length_m', Quantity::Length, above: 0, max: 30)] float $length = 1.0,
        #[Measure('bell_extra_kg', Quantity::Mass, min: 0)] float $bell = 0.0,
        #[Measure('contents_density_kg_m3', Quantity::Density, min: 0)] float $contents = 0.0,
    ): array {
        if ($wall >= $od / 2) {
            throw Refused::field('wall_m', "wall_m: wall {$wall} m leaves no bore in a {$od} m pipe.");
        }
        $inside = $od - 2 * $wall;
        if ($lining >= $inside / 2) {
            throw Refused::field('lining_m', "lining_m: a lining of {$lining} m leaves no bore in {$inside} m.");
        }
        if ($lining > 0 && $liningDensity === null) {
            throw Refused::field('lining_density_kg_m3', 'lining_density_kg_m3 is missing: a lining has its own weight.');
        }
        $bore = $inside - 2 * $lining;
        $perMetre =
            M_PI * ($od - $wall) * $wall * $density +
            M_PI * ($inside - $lining) * $lining * ($liningDensity ?? 0.0) +
            (M_PI / 4) * $bore ** 2 * $contents;

        return ['mass_kg_per_m' => $perMetre, 'mass_kg' => $perMetre * $length + $bell, 'bore_m' => $bore];
    }
}
