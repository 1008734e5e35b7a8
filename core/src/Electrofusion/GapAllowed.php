<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** How large the gap round the pipe may be, and who says so: known before anybody feels it. */
#[Calculates(
    'gap-limit',
    'How large may the gap be?',
    Family::Electrofusion,
    ['limit_used_mm', 'limit_from', 'verdict'],
    'The fitting\'s sheet; by size from memory (DVS 2207-1) where label and sheet are silent',
    verdicts: ['good', 'open'],
)]
final class GapAllowed
{
    /**
     * @param  float|null  $limit  by the fitting's sheet
     * @return array{limit_used_mm: float|null, limit_from: string|null, verdict: string} open while nobody knows a limit
     *
     * @throws Refused naming dn_mm where it goes by size
     */
    public function __invoke(
        #[Measure('limit_mm', Quantity::Length, min: 0)] ?float $limit = null,
        #[Flag('label_silent', about: 'label and maker\'s sheet were read and give no gap')] bool $silent = false,
        #[Measure('dn_mm', Quantity::Length, above: 0, about: 'wanted with a silent label')] ?float $dn = null,
    ): array {
        $allowed = GapLimit::of($limit, $silent, $dn, false);

        return $allowed->toArray() + ['verdict' => ($allowed->from === null ? Verdict::Open : Verdict::Good)->value];
    }
}
