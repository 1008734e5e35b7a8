<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;

/**
 * A code whose layout nobody has confirmed is read by the box alone: is the time that it shows the label's time, moved by
 * no more than a correction for temperature may move it? The correction itself is not known here, only its largest size
 * and its direction: longer in the cold, shorter in the heat.
 */
#[Calculates(
    'box-time-check',
    'May the box show this time for this label?',
    Family::Electrofusion,
    ['t_least_s', 't_most_s', 'verdict'],
    'Window from the label\'s time and the largest correction of the procedure',
    verdicts: ['good', 'bad', 'open'],
)]
final class BoxTimeCheck
{
    /** @return array{t_least_s: float, t_most_s: float, verdict: string} */
    public function __invoke(
        #[Measure('label_time_s', Quantity::Time, above: 0, max: 36000)] float $label,
        #[Measure('temp_c', Quantity::Temperature, min: -60, max: 100)] float $temperature,
        #[Measure('t_ref_c', Quantity::Temperature, min: -60, max: 100)] float $reference,
        #[Number('k_max_pct_per_k', min: 0, max: 5)] float $k,
        #[Measure('shown_s', Quantity::Time, above: 0, max: 36000)] ?float $shown = null,
        #[Measure('tol_s', Quantity::Time, min: 0, max: 60)] float $tolerance = 1.0,
    ): array {
        $moved = $label * (1 + $k * ($reference - $temperature) / 100);
        $least = min($label, $moved) - $tolerance;
        $most = max($label, $moved) + $tolerance;

        return ['t_least_s' => $least, 't_most_s' => $most, 'verdict' => match (true) {
            $shown === null => 'open',
            Compare::atMost($least, $shown) && Compare::atMost($shown, $most) => 'good',
            default => 'bad',
        }];
    }
}
