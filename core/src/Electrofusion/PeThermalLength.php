<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** What a change of temperature does to a PE string: free, it changes its length; held, it pulls (tension positive). */
#[Calculates(
    'pe-thermal-length',
    'How much does a PE string move, or pull when held?',
    Family::Electrofusion,
    ['dl_mm', 'area_mm2', 'stress_mpa', 'force_kn'],
    'Thermal expansion and Hooke; pass the modulus for the duration meant',
)]
final class PeThermalLength
{
    /** @return array<string, float|null> */
    public function __invoke(
        #[Measure('length_m', Quantity::Length, above: 0, max: 100000)] float $length,
        #[Measure('t1_c', Quantity::Temperature, min: -40, max: 80)] float $t1,
        #[Measure('t2_c', Quantity::Temperature, min: -40, max: 80)] float $t2,
        #[Measure('alpha_per_k', Quantity::Expansion, above: 0, max: 0.001)] float $alpha = 1.8e-4,
        #[Measure('od_mm', Quantity::Length, above: 0)] ?float $od = null,
        #[Measure('wall_mm', Quantity::Length, above: 0)] ?float $wall = null,
        #[Measure('e_mpa', Quantity::Pressure, above: 0)] ?float $modulus = null,
    ): array {
        if ($od !== null && $wall !== null && $wall > $od / 2) {
            throw Refused::field(
                'wall_mm',
                sprintf('wall_mm is %g mm; the pipe of %g mm has room for %g mm.', Si::mm($wall), Si::mm($od), Si::mm($od / 2)),
            );
        }
        $area = $od === null || $wall === null ? null : M_PI * ($od - $wall) * $wall;
        $stress = $modulus === null ? null : -$modulus * $alpha * ($t2 - $t1);

        return [
            'dl_mm' => Si::mm($alpha * $length * ($t2 - $t1)), 'area_mm2' => $area === null ? null : $area * 1e6,
            'stress_mpa' => $stress === null ? null : $stress / 1e6,
            'force_kn' => $stress === null || $area === null ? null : $stress * $area / 1000,
        ];
    }
}
