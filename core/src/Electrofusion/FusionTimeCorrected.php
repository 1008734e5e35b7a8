<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Fusion time corrected for the fitting's temperature. Never applied twice: most boxes do it from the scanned code. */
#[Calculates(
    'fusion-time-corrected',
    'How long must it fuse at this temperature?',
    Family::Electrofusion,
    ['t_corr_s', 't_set_s'],
    'Correction of the code: percent per kelvin from its reference temperature',
)]
final class FusionTimeCorrected
{
    /** @return array{t_corr_s: float, t_set_s: float} */
    public function __invoke(
        #[Measure('t_nom_s', Quantity::Time, above: 0, max: 36000)] float $nominal,
        #[Measure('temp_c', Quantity::Temperature, min: -60, max: 100)] float $temperature,
        #[Measure('t_ref_c', Quantity::Temperature, min: -60, max: 100)] float $reference,
        #[Number('k_cold_pct_per_k', min: 0, max: 5)] float $cold,
        #[Number('k_hot_pct_per_k', min: 0, max: 5)] ?float $hot = null,
        #[Measure('temp_min_c', Quantity::Temperature)] ?float $min = null,
        #[Measure('temp_max_c', Quantity::Temperature)] ?float $max = null,
    ): array {
        if (($min !== null && $temperature < $min - 1e-9) || ($max !== null && $temperature > $max + 1e-9)) {
            throw Refused::field('temp_c', "temp_c is {$temperature} °C; the fitting may be fused from {$min} to {$max} °C.");
        }
        $k = $temperature < $reference ? $cold : ($hot ?? $cold);
        $time = $nominal * (1 + $k * ($reference - $temperature) / 100);

        return ['t_corr_s' => $time, 't_set_s' => floor($time + 0.5 + 1e-9)];
    }
}
