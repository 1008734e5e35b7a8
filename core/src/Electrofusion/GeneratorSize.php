<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** Does the generator carry this fitting, and what fuel does the work take? Rated is the continuous power, not the peak. */
#[Calculates(
    'generator-size',
    'Does the generator carry this fitting?',
    Family::Electrofusion,
    ['input_w', 'apparent_va', 'required_va', 'fuel_l', 'verdict'],
    'Power balance; small petrol sets take about 0.5 to 0.7 L/kWh (common practice, rough)',
    verdicts: ['good', 'bad', 'open'],
)]
final class GeneratorSize
{
    private const JOULES_PER_KWH = 3.6e6;

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure(
            'p_fuse_w',
            Quantity::Power,
            above: 0,
            about: 'largest power into the fitting: U²/R at the low end of the window, cold',
        )]
        float $power,
        #[Number('efficiency', min: 0.3, max: 1, about: 'of the box')] float $efficiency,
        #[Number('power_factor', min: 0.3, max: 1, about: 'of the box')] float $powerFactor,
        #[Number('other_va', min: 0, about: 'other loads on the set')] float $other = 0.0,
        #[Number('margin_pct', min: 0, max: 200)] float $margin = 0.0,
        #[Number('derate_pct', min: 0, max: 90, about: 'for height and heat')] float $derate = 0.0,
        #[Number('rated_va', above: 0, about: 'continuous, from the plate')] ?float $rated = null,
        #[Measure('t_s', Quantity::Time, above: 0, about: 'all fusions of the job together')] ?float $time = null,
        #[Number('l_per_kwh', above: 0, max: 5)] ?float $perKwh = null,
    ): array {
        $input = $power / $efficiency;
        $apparent = $input / $powerFactor;
        $required = ($apparent + $other) * (1 + $margin / 100) / (1 - $derate / 100);

        return [
            'input_w' => $input, 'apparent_va' => $apparent, 'required_va' => $required,
            'fuel_l' => $time === null || $perKwh === null ? null : $input * $time / self::JOULES_PER_KWH * $perKwh,
            'verdict' => ($rated === null ? Verdict::Open : (Compare::atMost($required, $rated) ? Verdict::Good : Verdict::Bad))->value,
        ];
    }
}
