<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** May we fuse here and now: air, pipe against fitting, dew, wind and rain. What is not known is open. */
#[Calculates(
    'weld-conditions',
    'May we fuse in this weather?',
    Family::Electrofusion,
    ['dew_c', 'frost_c', 'colder_c', 'point', 'point_c', 'dew_margin_k', 'pipe_fitting_diff_k', 'fails', 'open_items', 'verdict'],
    'Limits of label and procedure; dew margin from memory: ISO 8502-4',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'fails' => ['air-range', 'temperature-difference', 'condensation', 'wind', 'rain'],
        'open_items' => ['air-range', 'temperature-difference', 'condensation', 'wind', 'rain'],
    ],
)]
final class WeldConditions
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('air_c', Quantity::Temperature, min: -45, max: 60)] ?float $air = null,
        #[Number('rh_pct', above: 0, max: 100)] ?float $humidity = null,
        #[Measure('pipe_c', Quantity::Temperature, min: -45, max: 90)] ?float $pipe = null,
        #[Measure('fitting_c', Quantity::Temperature, min: -45, max: 90)] ?float $fitting = null,
        #[Measure('wind_ms', Quantity::Velocity, min: 0, max: 60)] ?float $wind = null,
        #[Flag('shelter')] bool $shelter = false,
        #[Flag('rain')] ?bool $rain = null,
        #[Measure('air_min_c', Quantity::Temperature)] ?float $airMin = null,
        #[Measure('air_max_c', Quantity::Temperature)] ?float $airMax = null,
        #[Measure('diff_max_k', Quantity::TemperatureDifference, min: 0)] ?float $diffMax = null,
        #[Measure('dew_margin_min_k', Quantity::TemperatureDifference, min: 0)] ?float $marginMin = null,
        #[Measure('wind_max_ms', Quantity::Velocity, min: 0)] ?float $windMax = null,
    ): array {
        $dew = $air === null || $humidity === null ? null : DewPoint::of($air, $humidity);
        $colder = $pipe === null || $fitting === null ? null : min($pipe, $fitting);
        // On a surface below 0 °C hoar settles before dew does.
        $frost = $dew === null || $colder === null || $colder >= 0 ? null : DewPoint::frost((float) $air, (float) $humidity);
        $margin = $dew === null || $colder === null ? null : $colder - ($frost ?? $dew);
        $diff = $pipe === null || $fitting === null ? null : abs($pipe - $fitting);
        $checks = [
            'air-range' => $air === null || $airMin === null || $airMax === null
                    ? null
                    : Compare::atLeast($air, $airMin) && Compare::atMost($air, $airMax),
            'temperature-difference' => $diff === null || $diffMax === null ? null : Compare::atMost($diff, $diffMax),
            'condensation' => $margin === null || $marginMin === null ? null : Compare::atLeast($margin, $marginMin),
        ];
        if (! $shelter) {
            $checks['wind'] = $wind === null || $windMax === null ? null : Compare::atMost($wind, $windMax);
            $checks['rain'] = $rain === null ? null : ! $rain;
        }
        $fails = array_keys($checks, false, true);
        $open = array_keys($checks, null, true);

        return [
            'dew_c' => $dew, 'frost_c' => $frost, 'colder_c' => $colder,
            // What the margin is counted from, in words and figures.
            'point' => $dew === null ? null : ($frost === null ? 'dew point' : 'frost point'), 'point_c' => $frost ?? $dew,
            'dew_margin_k' => $margin, 'pipe_fitting_diff_k' => $diff, 'fails' => $fails, 'open_items' => $open,
            'verdict' => ($fails !== [] ? Verdict::Bad : ($open !== [] ? Verdict::Open : Verdict::Good))->value,
        ];
    }
}
