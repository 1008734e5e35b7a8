<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Pressure class of inch PE pipe: water PC = 2 HDS/(DR - 1) with a temperature factor; gas P = 2 HDB DF/(DR - 1), capped. */
#[Calculates(
    'pe-pressure-class-us',
    'What pressure class has this inch PE pipe?',
    Family::Electrofusion,
    ['pressure_psi', 'f_t', 'wpr_psi', 'notes'],
    'AWWA C906 (temperature factors from memory); gas 49 CFR 192.121',
)]
final class PePressureClassUs
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Number('dr', min: 5, max: 45)] float $dr,
        #[Number('hds_psi', above: 0, max: 3000)] ?float $hds = null,
        #[Measure('temp_f', Quantity::Temperature, min: -20, max: 100)] float $temperature = (73 - 32) / 1.8,
        #[Choice('service', ['water', 'gas'])] string $service = 'water',
        #[Number('hdb_psi', above: 0, max: 4000)] ?float $hdb = null,
        #[Number('df', above: 0, max: 1)] ?float $df = null,
        #[Number('cap_psi', above: 0)] ?float $cap = null,
    ): array {
        if ($service === 'gas') {
            foreach (['hdb_psi' => $hdb, 'df' => $df] as $key => $value) {
                if ($value === null) {
                    throw Refused::field($key, "{$key} is missing: gas needs it.");
                }
            }
            $uncapped = 2 * (float) $hdb * (float) $df / ($dr - 1);

            return [
                'pressure_psi' => $cap === null ? $uncapped : min($uncapped, $cap),
                'f_t' => null,
                'wpr_psi' => null,
                'notes' => $cap === null
                        ? ['no cap known: the network rules may set one']
                        : ($uncapped > $cap
                            ? ["capped, {$uncapped} psi without"]
                            : []),
            ];
        }
        if ($hds === null) {
            throw Refused::field('hds_psi', 'hds_psi is missing.');
        }
        $fahrenheit = $temperature * 1.8 + 32;
        $factor = $fahrenheit <= 80 + 1e-9 ? 1.0 : ($fahrenheit <= 90 + 1e-9 ? 0.9 : 0.8);
        $class = 2 * $hds / ($dr - 1);

        return ['pressure_psi' => $class, 'f_t' => $factor, 'wpr_psi' => $factor * $class, 'notes' => []];
    }
}
