<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Verdict;

/**
 * Is this a whole fitting code? Length, digits and check digit, whatever its digits mean: all that can be tested
 * without a layout that somebody has confirmed. What is no whole code is refused.
 */
#[Calculates(
    'fitting-code-shape',
    'Is this a whole fitting code?',
    Family::Electrofusion,
    ['code', 'check_digit', 'verdict'],
    'ISO 13950: 24 digits (std); check digit modulo 10, weights 3 and 1 (from memory)',
    verdicts: ['good'],
)]
final class FittingCodeShape
{
    /** @return array{code: string, check_digit: int, verdict: string} the digits without spaces */
    public function __invoke(#[Text('code')] string $code): array
    {
        $digits = FittingCode::checked($code);

        return ['code' => $digits, 'check_digit' => FittingCode::checkDigit($digits), 'verdict' => Verdict::Good->value];
    }
}
