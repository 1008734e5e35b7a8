<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Leak\Orifice;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** What a fall of pressure means in litres. Air that nobody knows of makes the true leak larger. */
#[Calculates(
    'leak-from-decay',
    'How much water does this fall mean?',
    Family::PressureTest,
    ['leak_l_h', 'hole_mm', 'compliance_l_per_bar'],
    'Compliance of the section with trapped air; hole of a sharp edge',
)]
final class LeakFromDecay
{
    /**
     * @param  list<Segment>  $segments
     * @return array<string, float|null>
     */
    public function __invoke(
        #[Items('segments', Segment::class)] array $segments,
        #[Measure('p_bar', Quantity::Pressure, min: 0)] float $pressure,
        #[Measure('fall_bar_h', Quantity::PressureRate, min: 0)] float $fall,
        #[Measure('t_water_degc', Quantity::Temperature)] ?float $waterTemperature = null,
        #[Measure('bulk_gpa', Quantity::Pressure, min: 1, max: 3)] ?float $bulk = null,
        #[Percent('air_percent', max: 20)] float $air = 0.0,
        #[Measure('p_atm_kpa', Quantity::Pressure, min: 50, max: 110)] float $atmosphere = 101325.0,
    ): array {
        $section = Section::of($segments, $waterTemperature, $bulk);
        $compliance = $section->compliance() + $air / 100 * $section->volume() * $atmosphere / ($atmosphere + $pressure) ** 2;
        $leak = $fall * $compliance;

        return [
            'leak_l_h' => Si::litres($leak) * 3600,
            'hole_mm' => $pressure > 0 ? Si::mm(Orifice::diameter($leak, $pressure, Orifice::SHARP, Orifice::WATER)) : null,
            'compliance_l_per_bar' => $compliance * 1e8,
        ];
    }
}
