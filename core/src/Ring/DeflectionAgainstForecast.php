<?php

declare(strict_types=1);

namespace Diastoma\Core\Ring;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Verdict;

/**
 * A flattening as it was measured, against what soil and traffic were meant to do. A forecast is no limit: more than it is near to
 * something that nobody meant, and never bad by that alone.
 */
#[Calculates(
    'deflection-against-forecast',
    'Has the pipe flattened as it was meant to?',
    Family::Gasketed,
    ['share', 'verdict', 'reasons'],
    'Common practice: what flattens more than forecast is looked at before the next pipe',
    verdicts: ['good', 'close', 'open'],
    codes: ['reasons' => ['more', 'peaked', 'no-forecast']],
)]
final class DeflectionAgainstForecast
{
    /**
     * @param  float  $measured  percent of the diameter, plus flatter
     * @return array{share: float|null, verdict: string, reasons: list<string>} `share`: of the forecast
     */
    public function __invoke(
        #[Number('measured_pct', min: -30, max: 30)] float $measured,
        #[Number('forecast_pct', min: 0, max: 30)] ?float $forecast = null,
        #[Number('u_pct', min: 0, max: 5, about: 'uncertainty of the measured figure, k = 2')] float $uncertainty = 0.0,
    ): array {
        if ($forecast === null || $forecast <= 0.0) {
            return ['share' => null, 'verdict' => Verdict::Open->value, 'reasons' => ['no-forecast']];
        }
        $isMore = ! Compare::atMost($measured + $uncertainty, $forecast);
        $reasons = [...$isMore ? ['more'] : [], ...$measured < 0.0 ? ['peaked'] : []];

        return ['share' => $measured / $forecast, 'verdict' => ($isMore ? Verdict::Close : Verdict::Good)->value, 'reasons' => $reasons];
    }
}
