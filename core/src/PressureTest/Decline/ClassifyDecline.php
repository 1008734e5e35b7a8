<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Decline;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\PressureTest\SyntheticTrace;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * What a fall of pressure is: nothing, a leak, settling, creep, the weather, or not to be told. The class is a finding and
 * no verdict: tight is not a pass. Air is never read from a decline.
 */
#[Calculates(
    'classify-decline',
    'Leak, weather, creep, settling, or nothing?',
    Family::PressureTest,
    ['class', 'why', 'rate_kpa_h', 'n', 'tau_s', 'kpa_per_k', 'lag_s', 'floor_kpa', 'fall_kpa', 'hidden_kpa_h', 'margin', 'next'],
    'Block medians; orifice, exponential and power law compared by the Bayesian information criterion',
    codes: [
        'class' => Decline::CLASSES,
        'why' => Decline::WHYS,
        'next' => Decline::NEXT,
    ],
)]
final class ClassifyDecline
{
    /**
     * @param  list<list<float>>|null  $series
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Part('trace', SyntheticTrace::class)] ?SyntheticTrace $trace = null,
        #[Rows('series', ['s', 'kPa', 'degC'], atLeast: 2, optional: 1)] ?array $series = null,
        #[Number('theory_kpa_per_k', about: 'by thermal-drift')] ?float $theory = null,
        #[Flag('plastic', about: 'polyethylene or composite: it creeps')] bool $plastic = false,
        #[Measure('t_load_s', Quantity::Time, above: 0, about: 'start of raise to shut valve')] ?float $load = null,
        #[Measure('resolution_kpa', Quantity::Pressure, above: 0, about: 'step of the gauge')] float $resolution = 1000.0,
        #[Measure('assumed_dt_k', Quantity::TemperatureDifference, min: 0, about: 'where no temperature was logged')]
        float $assumed = 1.0,
        #[Number('drift_kpa_h', min: 0, about: 'what the gauge may drift by, off its sheet')] float $drift = 0.0,
        #[Flag('exposed', about: 'the pipe lies open: it lags the probe')] bool $exposed = false,
    ): array {
        if (($trace === null) === ($series === null)) {
            throw Refused::field('trace', 'trace or series: give exactly one of them.');
        }
        $reader = new DeclineReader($theory, $plastic, $load, Si::kpa($resolution), $assumed, $drift, $exposed);

        return $reader->read(HoldBlocks::of($series ?? $trace?->series() ?? []))->answer();
    }
}
