<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/** How many litres one bar takes. */
#[Calculates(
    'section-compliance',
    'How many litres does one bar take?',
    Family::PressureTest,
    ['volume_m3', 'compliance_l_per_bar', 'water_share'],
    'Thin-wall elasticity; EN 805 form with ends `jointed`',
)]
final class SectionCompliance
{
    /**
     * @param  list<Segment>  $segments
     * @return array<string, float>
     */
    public function __invoke(
        #[Items('segments', Segment::class)] array $segments,
        #[Measure('t_water_degc', Quantity::Temperature)] ?float $waterTemperature = null,
        #[Measure('bulk_gpa', Quantity::Pressure, min: 1, max: 3)] ?float $bulk = null,
    ): array {
        $section = Section::of($segments, $waterTemperature, $bulk);

        return [
            'volume_m3' => $section->volume(), 'compliance_l_per_bar' => $section->compliance() * 1e8,
            'water_share' => $section->volume() / $section->bulk / $section->compliance(),
        ];
    }
}
