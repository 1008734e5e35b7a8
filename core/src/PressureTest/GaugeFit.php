<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Day;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;

/** Is this gauge the right one for the test? What was not given stays unanswered. */
#[Calculates(
    'gauge-fit',
    'Is this gauge right for the test?',
    Family::PressureTest,
    ['ratio', 'range_ok', 'middle_third', 'resolution_ok', 'calibration_ok'],
    'ASME BPVC VIII-1 UG-102 (1.5 to 4 times); middle third and five steps: common practice',
)]
final class GaugeFit
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('full_scale_bar', Quantity::Pressure, above: 0)] float $fullScale,
        #[Measure('p_test_bar', Quantity::Pressure, above: 0)] float $test,
        #[Number('ratio_min', min: 1)] float $least = 1.5,
        #[Number('ratio_max', min: 1)] float $most = 4.0,
        #[Measure('resolution_bar', Quantity::Pressure, above: 0, about: 'step of the gauge')] ?float $resolution = null,
        #[Measure('limit_bar', Quantity::Pressure, above: 0, about: 'the loss that is to be seen')] ?float $limit = null,
        #[Number('divisions', above: 0)] float $divisions = 5.0,
        #[Day('cal_due')] ?\DateTimeImmutable $due = null,
        #[Day('test_date')] ?\DateTimeImmutable $day = null,
    ): array {
        $ratio = $fullScale / $test;

        return [
            'ratio' => $ratio,
            'range_ok' => Compare::atLeast($ratio, $least) && Compare::atMost($ratio, $most),
            'middle_third' => Compare::atLeast($test, $fullScale / 3) && Compare::atMost($test, 2 * $fullScale / 3),
            'resolution_ok' => $resolution === null || $limit === null ? null : Compare::atLeast($limit, $divisions * $resolution),
            'calibration_ok' => $due === null || $day === null ? null : $day <= $due,
        ];
    }
}
