<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Diameter brought to the reference temperature: pipe and fitting are compared at one temperature. */
#[Calculates(
    'od-at-temperature',
    'What is the diameter at the reference temperature?',
    Family::Electrofusion,
    ['od_ref_mm', 'change_mm'],
    'Linear expansion; PE dimensions are checked at 23 °C (from memory: ISO 3126)',
)]
final class OdAtTemperature
{
    /** @return array{od_ref_mm: float, change_mm: float} */
    public function __invoke(
        #[Measure('od_mm', Quantity::Length, above: 0)] float $od,
        #[Measure('pipe_c', Quantity::Temperature, min: -60, max: 100)] float $pipe,
        #[Measure('t_ref_c', Quantity::Temperature, min: -60, max: 100)] float $reference = 23.0,
        #[Measure('alpha_per_k', Quantity::Expansion, min: 0, max: 0.001)] float $alpha = 1.8e-4,
    ): array {
        $at = $od / (1 + $alpha * ($pipe - $reference));

        return ['od_ref_mm' => Si::mm($at), 'change_mm' => Si::mm($od - $at)];
    }
}
