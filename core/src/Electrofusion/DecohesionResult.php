<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/** How much of a peeled or crushed test piece came apart brittle. */
#[Calculates(
    'decohesion-result',
    'Did the test piece come apart brittle?',
    Family::Electrofusion,
    ['brittle_pct', 'verdict'],
    'ISO 13954 peel, ISO 13955 crush, ISO 13956 saddle; limit about a third of the fused length (from memory)',
    verdicts: ['good', 'bad', 'open'],
)]
final class DecohesionResult
{
    /** @return array{brittle_pct: float, verdict: string} */
    public function __invoke(
        #[Measure('brittle_mm', Quantity::Length, min: 0)] float $brittle,
        #[Measure('fused_mm', Quantity::Length, above: 0)] float $fused,
        #[Number('limit_pct', min: 0, max: 100)] ?float $limit = null,
    ): array {
        if ($brittle > $fused + Compare::slack($fused)) {
            throw Refused::field(
                'brittle_mm',
                sprintf('brittle_mm is %g mm, more than the fused length of %g mm.', Si::mm($brittle), Si::mm($fused)),
            );
        }
        $share = 100 * $brittle / $fused;

        return [
            'brittle_pct' => $share,
            'verdict' => ($limit === null ? Verdict::Open : (Compare::atMost($share, $limit) ? Verdict::Good : Verdict::Bad))->value,
        ];
    }
}
