<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;

/** A value outside the usual range of its field: in which other unit would the typed number make sense? Never a silent change. */
#[Calculates(
    'unit-slip-hint',
    'Was the number meant in another unit?',
    Family::Measuring,
    ['hints'],
    'Unit table of parse-quantity',
)]
final class UnitSlipHint
{
    /** @return array{hints: list<array{unit: string, si: float}>} */
    public function __invoke(
        #[Text('text')] string $text,
        #[Choice('kind', ['length', 'pressure', 'torque', 'temperature', 'force', 'mass', 'volume', 'flow'])] string $kind,
        #[Number('lo_si')] float $low,
        #[Number('hi_si')] float $high,
    ): array {
        try {
            $number = TypedNumber::read(TypedNumber::normalise($text), 'point');
            $unitText = (string) preg_replace('/\s*(\(?[gad]\)?|gauge|abs)$/i', '', $number->rest);
            $own = $number->rest === '' ? null : (Spelling::find($kind, $number->rest, 'us') ?? Spelling::find($kind, $unitText, 'us'));
        } catch (Ambiguous $a) {
            throw Refused::field('text', "\"{$text}\": {$a->getMessage()}.");
        }
        $inside = fn (float $si) => Compare::atLeast($si, $low) && Compare::atMost($si, $high);
        if ($own !== null && $inside($own['offset'] + $own['factor'] * $number->value)) {
            return ['hints' => []];
        }
        $hints = [];
        foreach (Spelling::siblings($kind) as $unit) {
            $si = $unit['offset'] + $unit['factor'] * $number->value;
            if ($unit['label'] !== ($own['label'] ?? null) && $inside($si)) {
                $hints[] = ['unit' => $unit['label'], 'si' => $si];
            }
        }

        return ['hints' => $hints];
    }
}
