<?php

declare(strict_types=1);

namespace Diastoma\Core\Instrument;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Verdict;

/** Is this tool fine enough for this limit? Rule of ten and rule of four. */
#[Calculates(
    'resolution-check',
    'Is the tool fit for this limit?',
    Family::Measuring,
    ['ratio', 'tur', 'verdict', 'reasons'],
    'Rule of ten and of four, common practice; 4:1 from memory: ANSI/NCSL Z540.3',
)]
final class ResolutionCheck
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Number('tolerance_width', above: 0)] float $width,
        #[Number('resolution', above: 0)] float $resolution,
        #[Number('u_expanded', min: 0)] ?float $u = null,
        #[Number('ratio_preferred', above: 0)] float $preferred = 10.0,
        #[Number('ratio_min', above: 0)] float $least = 4.0,
        #[Number('tur_min', above: 0)] float $turMin = 4.0,
    ): array {
        $ratio = $width / $resolution;
        $tur = $u === null || $u == 0 ? null : $width / (2 * $u);
        $turAtLeast = fn (float $limit) => $u !== null && ($tur === null || Compare::atLeast($tur, $limit));
        $verdict = match (true) {
            ! Compare::atLeast($ratio, $least) => Verdict::Bad,
            $u === null => Verdict::Open,
            Compare::atLeast($ratio, $preferred) && $turAtLeast($turMin) => Verdict::Good,
            $turAtLeast(1.0) => Verdict::Close,
            default => Verdict::Bad,
        };

        return ['ratio' => $ratio, 'tur' => $tur, 'verdict' => $verdict->value, 'reasons' => match ($verdict) {
            Verdict::Bad => ['use a finer tool'], Verdict::Close => ['usable with guard band'],
            Verdict::Open => ['the uncertainty of the tool is not known'], default => [],
        }];
    }
}
