<?php

declare(strict_types=1);

namespace Diastoma\Core\Thrust;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calendar;
use Diastoma\Core\Units\Quantity;

/** From when concrete may be pushed: before it has its strength, the block gives way. */
#[Calculates(
    'cured-at',
    'From when may this concrete be pushed?',
    Family::Gasketed,
    ['earliest_at'],
    'Waiting times of the procedure; usual ones from memory: AWWA C600',
)]
final class CuredAt
{
    /** @return array{earliest_at: string} UTC, ISO 8601 */
    public function __invoke(
        #[Instant('cast_at')] \DateTimeImmutable $cast,
        #[Measure('cure_h', Quantity::Time, min: 0)] float $cure,
    ): array {
        return ['earliest_at' => Calendar::utc(Calendar::later($cast, $cure, 'cure_h'))];
    }
}
