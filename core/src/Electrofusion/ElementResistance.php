<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** Resistance of the winding at its temperature and the window in which a reading must lie. */
#[Calculates(
    'element-resistance',
    'Is the winding the one on the label?',
    Family::Electrofusion,
    ['r_at_temp_ohm', 'r_min_ohm', 'r_max_ohm', 'verdict'],
    'Copper 0.00393 /K: IEC 60028; 10 % and 0.1 Ω: from memory, EN 1555-3 / EN 12201-3',
    verdicts: ['good', 'bad', 'open'],
)]
final class ElementResistance
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('r_nom_ohm', Quantity::Resistance, above: 0, max: 100)] float $nominal,
        #[Number('tcr_per_k', min: 0, max: 0.01)] float $tcr,
        #[Measure('t_ref_c', Quantity::Temperature, min: -60, max: 100)] float $reference,
        #[Measure('temp_c', Quantity::Temperature, min: -60, max: 400)] float $temperature,
        #[Number('tol_pct', min: 0, max: 50)] ?float $tolerance = null,
        #[Measure('contact_ohm', Quantity::Resistance, min: 0, max: 10)] float $contact = 0.0,
        #[Measure('r_meas_ohm', Quantity::Resistance, above: 0, max: 1000)] ?float $measured = null,
    ): array {
        $at = $nominal * (1 + $tcr * ($temperature - $reference));
        $min = $tolerance === null ? null : $at * (1 - $tolerance / 100);
        $max = $tolerance === null ? null : $at * (1 + $tolerance / 100) + $contact;
        $verdict = match (true) {
            $measured === null || $min === null => Verdict::Open,
            Compare::atLeast($measured, $min) && Compare::atMost($measured, (float) $max) => Verdict::Good,
            default => Verdict::Bad,
        };

        return ['r_at_temp_ohm' => $at, 'r_min_ohm' => $min, 'r_max_ohm' => $max, 'verdict' => $verdict->value];
    }
}
