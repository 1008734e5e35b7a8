<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;

/** Do bar code and printed label of the fitting agree? A hold point even when the check digit is right. */
#[Calculates(
    'fitting-code-compare',
    'Do code and label agree?',
    Family::Electrofusion,
    ['mismatch', 'missing', 'verdict'],
    'Common practice; voltage within 0.05 V, time within 1 s',
    verdicts: ['good', 'bad', 'open'],
    codes: ['mismatch' => ['dn_mm', 'voltage_v', 'time_s'], 'missing' => ['dn_mm', 'voltage_v', 'time_s']],
)]
final class FittingCodeCompare
{
    private const WITHIN = ['dn_mm' => 0.0, 'voltage_v' => 0.05, 'time_s' => 1.0];

    /** @return array{mismatch: list<string>, missing: list<string>, verdict: string} */
    public function __invoke(
        #[Part('scanned', FittingValues::class)] FittingValues $scanned,
        #[Part('typed', FittingValues::class)] FittingValues $typed,
    ): array {
        $mismatch = [];
        $missing = [];
        foreach (self::WITHIN as $key => $within) {
            if ($scanned->$key === null) {
                throw Refused::field('scanned', "scanned: {$key} is missing.");
            }
            if ($typed->$key === null) {
                $missing[] = $key;
            } elseif (! Compare::atMost(abs($scanned->$key - $typed->$key), $within)) {
                $mismatch[] = $key;
            }
        }
        $verdict = $mismatch !== [] ? Verdict::Bad : ($missing !== [] ? Verdict::Open : Verdict::Good);

        return ['mismatch' => $mismatch, 'missing' => $missing, 'verdict' => $verdict->value];
    }
}
