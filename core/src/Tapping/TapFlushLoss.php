<?php

declare(strict_types=1);

namespace Diastoma\Core\Tapping;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Leak\Orifice;
use Diastoma\Core\Units\Quantity;

/** What runs out of the flushing outlet while chips are flushed. */
#[Calculates(
    'tap-flush-loss',
    'How much water does flushing take?',
    Family::Mechanical,
    ['flow_m3_s', 'lost_m3'],
    'Discharge through an orifice',
)]
final class TapFlushLoss
{
    /** @return array{flow_m3_s: float, lost_m3: float} */
    public function __invoke(
        #[Measure('orifice_m', Quantity::Length, above: 0, about: 'its diameter')] float $orifice,
        #[Measure('pressure_pa', Quantity::Pressure, min: 0)] float $pressure,
        #[Measure('time_s', Quantity::Time, min: 0)] float $time,
        #[Number('cd', min: 0.3, max: 1)] float $cd = Orifice::SHARP,
        #[Measure('density_kg_m3', Quantity::Density, above: 0)] float $density = Orifice::WATER,
    ): array {
        $flow = Orifice::flow($orifice, $pressure, $cd, $density);

        return ['flow_m3_s' => $flow, 'lost_m3' => $flow * $time];
    }
}
