<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Refused;

/**
 * Which traceability code is this? It is kept whole and not decoded: the order of its fields is not known for sure.
 * Upper and lower case differ in the 16-character code.
 */
#[Calculates(
    'trace-code-shape',
    'Which traceability code is this?',
    Family::Electrofusion,
    ['scheme', 'code'],
    'ISO 12176-4: 26 digits; ASTM F2897: 16 letters or digits (from memory)',
)]
final class TraceCodeShape
{
    /** @return array{scheme: string, code: string} */
    public function __invoke(#[Text('code', longest: 100)] string $code): array
    {
        $code = str_replace(' ', '', $code);
        $scheme = match (true) {
            preg_match('/^\d{26}$/', $code) === 1 => 'iso-12176-4',
            preg_match('/^[A-Za-z0-9]{16}$/', $code) === 1 => 'astm-f2897',
            preg_match('/^\d{24}$/', $code) === 1 => throw Refused::field(
                'code',
                'code has 24 digits: that is the fusion code of a fitting, not its traceability code.',
            ),
            default => throw Refused::field(
                'code',
                'code has '.mb_strlen($code).' characters; a traceability code has 26 digits, or 16 letters and digits.',
            ),
        };

        return ['scheme' => $scheme, 'code' => $code];
    }
}
