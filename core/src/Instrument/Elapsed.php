<?php

declare(strict_types=1);

namespace Diastoma\Core\Instrument;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calendar;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** Has enough time passed, and not too much? Without an end it says when the least time will be over. */
#[Calculates(
    'elapsed',
    'Has enough time passed?',
    Family::Measuring,
    ['until_utc', 'elapsed_s', 'short_s', 'verdict'],
    'Waiting time of the procedure',
    verdicts: ['good', 'bad', 'open'],
)]
final class Elapsed
{
    /** @return array{until_utc: string|null, elapsed_s: float|null, short_s: float|null, verdict: string} */
    public function __invoke(
        #[Instant('from')] \DateTimeImmutable $from,
        #[Instant('to')] ?\DateTimeImmutable $to = null,
        #[Measure('least_s', Quantity::Time, min: 0)] ?float $least = null,
        #[Measure('most_s', Quantity::Time, min: 0)] ?float $most = null,
    ): array {
        $elapsed = $to === null ? null : Calendar::seconds($from, $to);
        if ($elapsed !== null && $elapsed < 0) {
            throw Refused::field('to', 'to lies before from.');
        }

        return [
            'until_utc' => $least === null ? null : Calendar::utc(Calendar::later($from, $least, 'least_s')),
            'elapsed_s' => $elapsed, 'short_s' => $elapsed === null || $least === null ? null : max(0.0, $least - $elapsed),
            'verdict' => (match (true) {
                $elapsed === null, $least === null && $most === null => Verdict::Open,
                $least !== null && ! Compare::atLeast($elapsed, $least) => Verdict::Bad,
                $most !== null && ! Compare::atMost($elapsed, $most) => Verdict::Bad,
                default => Verdict::Good,
            })->value,
        ];
    }
}
