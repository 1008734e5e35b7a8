<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Vent again or go on: how much air the water pumped in betrays. */
#[Calculates(
    'air-content',
    'Is there air in the section?',
    Family::PressureTest,
    ['theory_l', 'ratio', 'air_l', 'air_percent', 'flag', 'verdict'],
    'Isothermal air; a limit of 4 % or less is from memory',
    verdicts: ['good', 'bad', 'open'],
    codes: ['flag' => ['ok', 'less-than-theory']],
)]
final class AirContent
{
    /**
     * @param  list<Segment>  $segments
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('segments', Segment::class)] array $segments,
        #[Measure('p_end_bar', Quantity::Pressure)] float $end,
        #[Measure('added_l', Quantity::Volume, min: 0)] float $added,
        #[Measure('t_water_degc', Quantity::Temperature)] ?float $waterTemperature = null,
        #[Measure('bulk_gpa', Quantity::Pressure, min: 1, max: 3)] ?float $bulk = null,
        #[Measure('p_start_bar', Quantity::Pressure, min: 0)] float $start = 0.0,
        #[Measure('p_atm_kpa', Quantity::Pressure, min: 50, max: 110)] float $atmosphere = 101325.0,
        #[Number('divided_below', min: 0, max: 1)] float $dividedBelow = 0.8,
        #[Percent('limit_percent')] ?float $limit = null,
    ): array {
        if ($end <= $start) {
            throw Refused::field('p_end', sprintf('p_end %g bar must lie above p_start %g bar.', Si::bar($end), Si::bar($start)));
        }
        $section = Section::of($segments, $waterTemperature, $bulk);
        $theory = $section->compliance() * ($end - $start);
        $air = max(0.0, ($added - $theory) / Section::airGivesWay(1.0, $atmosphere, $start, $end));
        $divided = $added / $theory < $dividedBelow - 1e-9;
        $percent = 100 * $air / $section->volume();

        return [
            'theory_l' => Si::litres($theory), 'ratio' => $added / $theory, 'air_l' => Si::litres($air), 'air_percent' => $percent,
            'flag' => $divided ? 'less-than-theory' : 'ok',
            'verdict' => $limit === null || $divided ? 'open' : (Compare::atMost($percent, $limit) ? 'good' : 'bad'),
        ];
    }
}
