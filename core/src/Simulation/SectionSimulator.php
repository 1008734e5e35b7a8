<?php

declare(strict_types=1);

namespace Diastoma\Core\Simulation;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\PressureTest\Percent;
use Diastoma\Core\PressureTest\Segment;
use Diastoma\Core\PressureTest\Water;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** One section pumped up or left alone, with the faults of life. */
#[Calculates(
    'section-simulator',
    'What would the section do?',
    Family::PressureTest,
    ['time_s', 'pumped_l', 'p_kpa'],
    'Mechanics; closed forms of pressurise-volume and orifice flow hold without faults',
)]
final class SectionSimulator
{
    private const MOST_STEPS = 400000;

    /**
     * @param  list<Segment>  $segments
     * @return array<string, float>
     */
    public function __invoke(
        #[Items('segments', Segment::class, atMost: 1)] array $segments,
        #[Measure('t_water_degc', Quantity::Temperature)] float $waterTemperature,
        #[Choice('action', ['pump', 'hold'])] string $action,
        #[Measure('rate_l_min', Quantity::Flow, above: 0)] ?float $rate = null,
        #[Measure('p_target_bar', Quantity::Pressure, above: 0)] ?float $target = null,
        #[Measure('duration_h', Quantity::Time, above: 0, max: 100)] ?float $duration = null,
        #[Measure('p_start_bar', Quantity::Pressure, min: 0)] float $start = 0.0,
        #[Percent('air_percent', max: 20)] float $air = 0.0,
        #[Measure('hole_mm', Quantity::Length, min: 0, max: 100)] float $hole = 0.0,
        #[Number('warm_k_per_h')] float $warming = 0.0,
        #[Measure('alpha_per_k', Quantity::Expansion, min: 0, max: 5e-4)] float $alpha = 0.0,
        #[Number('open_fraction', above: 0, max: 1)] float $open = 1.0,
        #[Number('creep_m', above: 0, max: 0.5)] ?float $creepM = null,
        #[Measure('p_atm_kpa', Quantity::Pressure, min: 50, max: 110)] float $atmosphere = 101325.0,
    ): array {
        Water::mustBeLiquid($waterTemperature);
        $model = new SectionModel($segments[0], $waterTemperature, $start, $air / 100, $hole, $alpha, $open, $creepM, $atmosphere);
        if ($action === 'hold') {
            $left = $duration ?? throw Refused::field('duration', 'duration is missing: a hold needs it.');
            while ($left > 1e-9) {
                $model->step(min(1.0, $left), 0.0, $warming / 3600);
                $left -= 1.0;
            }

            return ['p_kpa' => Si::kpa($model->pressure)];
        }
        $rate ?? throw Refused::field('rate', 'rate is missing: pumping needs it.');
        $target ?? throw Refused::field('p_target', 'p_target is missing: pumping needs it.');
        for ($seconds = 0; $seconds < self::MOST_STEPS; $seconds++) {
            $before = $model->pressure;
            $model->step(1.0, $rate, $warming / 3600);
            if ($model->pressure >= $target) {
                $time = $seconds + ($target - $before) / ($model->pressure - $before);

                return ['time_s' => $time, 'pumped_l' => Si::litres($rate * $time)];
            }
            if ($model->pressure - $before < 1e-3 && $model->leak($model->pressure) > 0.5 * $rate) {
                break;
            }
        }
        throw Refused::field('rate', sprintf('rate of %g L/min cannot bring the section to %g bar.', $rate * 60000, Si::bar($target)));
    }
}
