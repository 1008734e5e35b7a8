<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calendar;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** How long the peeled skin lay open before power. */
#[Calculates(
    'surface-open-time',
    'Is the peeled surface still fresh?',
    Family::Electrofusion,
    ['open_s', 'verdict'],
    'Limit of the procedure; common practice spreads from 30 min to the same shift, covered',
    verdicts: ['good', 'bad', 'open'],
)]
final class SurfaceOpenTime
{
    /** @return array{open_s: float, verdict: string} */
    public function __invoke(
        #[Instant('peel_end')] \DateTimeImmutable $peeled,
        #[Instant('fusion_start')] \DateTimeImmutable $fused,
        #[Measure('limit_s', Quantity::Time, min: 0)] ?float $limit = null,
    ): array {
        $open = Calendar::seconds($peeled, $fused);
        if ($open < 0) {
            throw Refused::field('fusion_start', 'fusion_start lies before the end of the peeling.');
        }

        return [
            'open_s' => $open,
            'verdict' => ($limit === null ? Verdict::Open : (Compare::atMost($open, $limit) ? Verdict::Good : Verdict::Bad))->value,
        ];
    }
}
