<?php

declare(strict_types=1);

namespace Diastoma\Core\Gas;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** How long a leak must run until the gauge is sure to show it, or how small a leak it shows in a time. */
#[Calculates(
    'gas-detectable-leak',
    'How long must it stand, or how small a leak shows?',
    Family::PressureTest,
    ['duration_h', 'leak_std_l_h'],
    'Ideal gas; two steps of the gauge: common practice',
)]
final class GasDetectableLeak
{
    /** @return array<string, float> */
    public function __invoke(
        #[Measure('volume_m3', Quantity::Volume, above: 0)] float $volume,
        #[Measure('resolution_mbar', Quantity::Pressure, above: 0, about: 'step of the gauge')] float $resolution,
        #[Measure('t_gas_degc', Quantity::Temperature, min: -60, max: 100)] float $temperature,
        #[Measure('leak_std_l_h', Quantity::Flow, above: 0, about: 'that is to be found')] ?float $leak = null,
        #[Measure('duration_h', Quantity::Time, above: 0)] ?float $duration = null,
        #[Number('divisions', above: 0)] float $divisions = 2.0,
    ): array {
        if (($leak === null) === ($duration === null)) {
            throw Refused::field('duration', 'duration or leak_std: give exactly one of them.');
        }
        $lost = $volume * $divisions * $resolution * Gas::STANDARD_K / Gas::kelvin($temperature) / Gas::STANDARD_PA;

        return $leak !== null
            ? ['duration_h' => $lost / $leak / 3600]
            : ['leak_std_l_h' => Si::litres($lost / (float) $duration) * 3600];
    }
}
