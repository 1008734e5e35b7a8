<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Anything;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** The code that says these values by a layout: for practice codes to scan, and to prove a layout by going both ways. */
#[Calculates(
    'fitting-code-encode',
    'Which code says these values?',
    Family::Electrofusion,
    ['code'],
    'The inverse of fitting-code; check digit modulo 10, weights 3 and 1 (from memory)',
)]
final class FittingCodeEncode
{
    /** @return array{code: string} */
    public function __invoke(
        #[Anything('layout', edit: 'layout')] mixed $layout,
        #[Measure('dn_mm', Quantity::Length, above: 0, max: 3000)] float $dn,
        #[Measure('voltage_v', Quantity::Voltage, min: 8, max: 48)] float $voltage,
        #[Measure('resistance_ohm', Quantity::Resistance, min: 0.05, max: 30)] float $resistance,
        #[Measure('time_s', Quantity::Time, min: 5, max: 3600)] float $time,
        #[Number('resistance_tol_pct', min: 1, max: 20)] float $tolerance = 10.0,
        #[Number('correction_pct_per_k', min: 0, max: 2)] float $correction = 0.0,
        #[Measure('cooling_min', Quantity::Time, above: 0)] ?float $cooling = null,
        #[Number('kind', min: 0, whole: true)] float $kind = 0.0,
        #[Number('maker', min: 0, whole: true)] float $maker = 0.0,
    ): array {
        $layout = FittingCodeLayout::from($layout);
        $digits = str_repeat('0', FittingCodeLayout::DIGITS - 1);
        $put = function (string $field, ?string $spelled, string $key, float $value) use (&$digits, $layout): void {
            if ($spelled === null) {
                throw Refused::field($key, "{$key}: the layout has no digits for {$value}.");
            }
            $digits = substr_replace($digits, $spelled, $layout->fields[$field]['from'] - 1, \strlen($spelled));
        };
        $plain = [
            'dn_mm' => Si::mm($dn),
            'voltage_v' => $voltage,
            'resistance_tol_pct' => $tolerance,
            'correction_pct_per_k' => $correction,
            'kind' => $kind,
            'maker' => $maker,
        ];
        if ($cooling !== null) {
            $plain['cooling_min'] = $cooling / 60;
        }
        foreach ($plain as $field => $value) {
            if ($layout->has($field)) {
                $put($field, $layout->spell($field, $value), $field, $value);
            }
        }
        [$mantissa, $exponent] = $this->resistance($layout, $resistance);
        $put('resistance_mantissa', $mantissa, 'resistance_ohm', $resistance);
        if ($exponent !== null) {
            $put('resistance_exponent', $exponent, 'resistance_ohm', $resistance);
        }
        [$steps, $unit] = $this->time($layout, $time);
        $put('time', $steps, 'time_s', $time);
        if ($unit !== null) {
            $put('time_unit', $unit, 'time_s', $time);
        }

        return ['code' => $digits.FittingCode::checkDigit($digits)];
    }

    /** @return array{string|null, string|null} mantissa and exponent, the smallest exponent that says it exactly from 2 on */
    private function resistance(FittingCodeLayout $layout, float $ohms): array
    {
        if (! $layout->has('resistance_exponent')) {
            return [$layout->spell('resistance_mantissa', $ohms), null];
        }
        foreach ([2, 3, 1] as $n) {
            $mantissa = $layout->spell('resistance_mantissa', round($ohms * 10 ** $n, 9));
            if ($mantissa !== null) {
                return [$mantissa, $layout->spell('resistance_exponent', $n)];
            }
        }

        return [null, null];
    }

    /** @return array{string|null, string|null} steps of time and the digit of their unit, the finest that says it */
    private function time(FittingCodeLayout $layout, float $seconds): array
    {
        if (! $layout->has('time_unit')) {
            return [$layout->spell('time', $seconds), null];
        }
        $units = $layout->fields['time_unit']['seconds'] ?? [];
        asort($units);
        foreach ($units as $digit => $each) {
            $steps = $layout->spell('time', $seconds / $each);
            if ($steps !== null) {
                return [$steps, (string) $digit];
            }
        }

        return [null, null];
    }
}
