<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;

/** Hours and water for filling; the velocity is that in the smallest bore. */
#[Calculates(
    'fill-plan',
    'How long and how much does filling take?',
    Family::PressureTest,
    ['volume_m3', 'fill_h', 'velocity_m_s', 'velocity_ok', 'max_rate_l_s', 'water_m3'],
    'Geometry; 0.3 m/s from memory: AWWA C651',
)]
final class FillPlan
{
    /**
     * @param  non-empty-list<Segment>  $segments
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('segments', Segment::class)] array $segments,
        #[Measure('rate_l_s', Quantity::Flow, above: 0)] float $rate,
        #[Measure('v_max_m_s', Quantity::Velocity, above: 0)] ?float $vMax = null,
        #[Number('flush_factor', min: 0)] float $flush = 0.0,
    ): array {
        $volume = array_sum(array_map(fn (Segment $s) => $s->volume(), $segments));
        $area = M_PI / 4 * min(array_map(fn (Segment $s) => $s->bore, $segments)) ** 2;
        $velocity = $rate / $area;

        return [
            'volume_m3' => $volume, 'fill_h' => $volume / $rate / 3600, 'velocity_m_s' => $velocity,
            'velocity_ok' => $vMax === null ? null : Compare::atMost($velocity, $vMax),
            'max_rate_l_s' => $vMax === null ? null : $vMax * $area * 1000,
            'water_m3' => $volume * (1 + $flush),
        ];
    }
}
