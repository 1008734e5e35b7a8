<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Anything;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Refused;

/**
 * A 24-digit fitting code read by a layout: check digit first, then every value against what a fitting can have.
 *
 * The 3-1 weights do not see two neighbours swapped that differ by five, nor a wrong but valid fitting:
 * the comparison with the printed label stays a hold point.
 */
#[Calculates(
    'fitting-code',
    'What does the bar code of the fitting say?',
    Family::Electrofusion,
    [
        'dn_mm',
        'voltage_v',
        'resistance_ohm',
        'resistance_tol_pct',
        'time_s',
        'correction_pct_per_k',
        'cooling_min',
        'fitting_kind',
        'current_cold_a',
        'energy_j',
    ],
    'ISO 13950: 24 digits (std); check digit modulo 10, weights 3 and 1 (from memory); the layout is data',
)]
final class FittingCode
{
    /** What a fitting can have: resistance of its winding, fusion time. */
    public const RESISTANCE_OHM = [0.05, 30];

    public const TIME_S = [5, 3600];

    /**
     * What the layout does not hold is null; `fitting_kind` is one of {@see FittingKind::KINDS}.
     *
     * @return array<string, float|string|null>
     */
    public function __invoke(
        #[Text('code')] string $code,
        #[Anything('layout', edit: 'layout')] mixed $layout,
        #[Number('voltage_min_v', above: 0)] float $voltageMin = 8.0,
        #[Number('voltage_max_v', above: 0)] float $voltageMax = 48.0,
    ): array {
        $layout = FittingCodeLayout::from($layout);
        $code = self::checked($code);

        $dn = (float) $layout->number($code, 'dn_mm');
        $voltage = (float) $layout->number($code, 'voltage_v');
        $exponent = (int) ($layout->number($code, 'resistance_exponent') ?? 0);
        $resistance = (float) $layout->number($code, 'resistance_mantissa') / 10 ** $exponent;
        $tolerance = $layout->number($code, 'resistance_tol_pct');
        $step = $layout->timeStep($code);
        $time = (float) $layout->number($code, 'time') * ($step ?? 0);
        $this->mustLie('dn_mm', $dn, 1, 3000);
        $this->mustLie('voltage_v', $voltage, $voltageMin, $voltageMax);
        if ($layout->has('resistance_exponent') && ($exponent < 1 || $exponent > 3)) {
            throw Refused::field('resistance_ohm', "resistance_ohm: the code's exponent is {$exponent}; allowed is 1 to 3.");
        }
        $this->mustLie('resistance_ohm', $resistance, ...self::RESISTANCE_OHM);
        if ($tolerance !== null) {
            $this->mustLie('resistance_tol_pct', $tolerance, 1, 20);
        }
        if ($step === null) {
            throw Refused::field('time_s', 'time_s: the code names a unit of time that the layout does not know.');
        }
        $this->mustLie('time_s', $time, ...self::TIME_S);

        return [
            'dn_mm' => $dn,
            'voltage_v' => $voltage,
            'resistance_ohm' => $resistance,
            'resistance_tol_pct' => $tolerance,
            'time_s' => $time,
            'correction_pct_per_k' => $layout->number($code, 'correction_pct_per_k'),
            'cooling_min' => $layout->number($code, 'cooling_min'),
            'fitting_kind' => $layout->kind($code),
            'current_cold_a' => $voltage / $resistance,
            'energy_j' => ($voltage ** 2 * $time) / $resistance,
        ];
    }

    /** The 24 digits, spaces dropped, when length and check digit are right. */
    public static function checked(string $typed): string
    {
        $code = (string) preg_replace('/\s/', '', $typed);
        if (preg_match('/^\d{24}$/', $code) !== 1) {
            $n = \strlen($code);
            throw Refused::field('code', preg_match('/^\d+$/', $code) === 1
                ? "code has {$n} digits; a fitting code has 24. A short sweep reads only a part: scan again over the whole code."
                : 'code must be 24 digits and nothing else.');
        }
        $check = self::checkDigit($code);
        if ((int) $code[23] !== $check) {
            throw Refused::field(
                'code',
                "code ends in {$code[23]}, its check digit would be {$check}: scan again, or compare each digit with the label.",
            );
        }

        return $code;
    }

    /** Check digit over the first 23 digits: weights 3, 1, 3, 1 … */
    public static function checkDigit(string $digits): int
    {
        $sum = 0;
        for ($i = 0; $i < 23; $i++) {
            $sum += (int) $digits[$i] * ($i % 2 === 0 ? 3 : 1);
        }

        return (10 - $sum % 10) % 10;
    }

    private function mustLie(string $field, float $value, float $min, float $max): void
    {
        if ($value < $min - 1e-9 || $value > $max + 1e-9) {
            throw Refused::field($field, "{$field}: the code says {$value}; a fitting has {$min} to {$max}.");
        }
    }
}
