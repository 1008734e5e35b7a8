<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Units\Quantity;

/** What the gauge would have shown at one temperature. It explains a record and turns no fail into a pass by itself. */
#[Calculates(
    'temperature-compensate',
    'What would it be without the weather?',
    Family::PressureTest,
    ['compensated_kpa'],
    'p - s (T - T_ref); s by the fit of the log or by thermal-drift',
)]
final class TemperatureCompensate
{
    /**
     * @param  list<list<float>>  $readings
     * @return array{compensated_kpa: list<float>}
     */
    public function __invoke(
        #[Number('slope_kpa_per_k')] float $slope,
        #[Measure('t_ref_degc', Quantity::Temperature)] float $reference,
        #[Rows('readings', ['kPa', 'degC'], rising: false)] array $readings,
    ): array {
        return ['compensated_kpa' => array_map(fn (array $row) => $row[0] - $slope * ($row[1] - $reference), $readings)];
    }
}
