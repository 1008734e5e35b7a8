<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Water to raise the section from one pressure to another, with trapped air if there is some. */
#[Calculates(
    'pressurise-volume',
    'How much water does the raise take?',
    Family::PressureTest,
    ['volume_m3', 'elastic_l', 'air_l', 'total_l'],
    'Elasticity and isothermal air',
)]
final class PressuriseVolume
{
    /**
     * @param  list<Segment>  $segments
     * @return array<string, float>
     */
    public function __invoke(
        #[Items('segments', Segment::class)] array $segments,
        #[Measure('p_end_bar', Quantity::Pressure, min: 0)] float $end,
        #[Measure('t_water_degc', Quantity::Temperature)] ?float $waterTemperature = null,
        #[Measure('bulk_gpa', Quantity::Pressure, min: 1, max: 3)] ?float $bulk = null,
        #[Measure('p_start_bar', Quantity::Pressure, min: 0)] float $start = 0.0,
        #[Percent('air_percent', max: 20)] float $air = 0.0,
        #[Measure('p_atm_kpa', Quantity::Pressure, min: 50, max: 110)] float $atmosphere = 101325.0,
    ): array {
        if ($end < $start) {
            throw Refused::field('p_end', sprintf('p_end %g bar lies below p_start %g bar.', Si::bar($end), Si::bar($start)));
        }
        $section = Section::of($segments, $waterTemperature, $bulk);
        $elastic = $section->compliance() * ($end - $start);
        $airWater = Section::airGivesWay($air / 100 * $section->volume(), $atmosphere, $start, $end);

        return [
            'volume_m3' => $section->volume(), 'elastic_l' => Si::litres($elastic),
            'air_l' => Si::litres($airWater), 'total_l' => Si::litres($elastic + $airWater),
        ];
    }
}
