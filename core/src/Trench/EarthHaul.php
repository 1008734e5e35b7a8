<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** What is left over of the soil that was dug, and the trucks that take it away. */
#[Calculates(
    'earth-haul',
    'How many truck loads are left over?',
    Family::Gasketed,
    ['loose_m3', 'bank_needed_m3', 'surplus_bank_m3', 'surplus_loose_m3', 'loads_by_volume', 'loads_by_mass', 'loads'],
    'Swell and shrink: common practice',
    soil: true,
)]
final class EarthHaul
{
    /**
     * @return array{
     *     loose_m3: float, bank_needed_m3: float, surplus_bank_m3: float, surplus_loose_m3: float,
     *     loads_by_volume: int, loads_by_mass: int, loads: int
     * } a surplus below 0: soil is short, and nothing is hauled
     */
    public function __invoke(
        #[Number('bank_m3', min: 0, max: 1e7)] float $bank,
        #[Number('swell_ratio', min: 0, max: 1)] float $swell,
        #[Number('reuse_compacted_m3', min: 0, max: 1e7)] float $reuse,
        #[Number('shrink_ratio', min: -0.5, max: 0.5)] float $shrink,
        #[Number('truck_m3', above: 0, max: 200)] float $truck,
        #[Measure('payload_kg', Quantity::Mass, above: 0)] float $payload,
        #[Measure('bank_density_kg_m3', Quantity::Density, min: 800, max: 3000)] float $density,
    ): array {
        $needed = $reuse / (1 - $shrink);
        $surplus = $bank - $needed;
        $loose = $surplus * (1 + $swell);
        $loads = fn (float $ratio): int => max(0, (int) ceil($ratio - 1e-9));
        $byVolume = $loads($loose / $truck);
        $byMass = $loads($surplus * $density / $payload);

        return [
            'loose_m3' => $bank * (1 + $swell),
            'bank_needed_m3' => $needed,
            'surplus_bank_m3' => $surplus,
            'surplus_loose_m3' => $loose,
            'loads_by_volume' => $byVolume,
            'loads_by_mass' => $byMass,
            'loads' => max($byVolume, $byMass),
        ];
    }
}
