<?php

declare(strict_types=1);

namespace Diastoma\Core\Site;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Day;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Calendar;
use Diastoma\Core\Verdict;

/** Does a permit hold for this work on this day? Its first and its last day count, in the time of the place. */
#[Calculates(
    'permit-status',
    'Does the permit hold today?',
    Family::Measuring,
    ['days_left', 'fails', 'waits', 'verdict'],
    'Common practice; which work needs which permit is a matter of local code',
    verdicts: ['good', 'bad', 'open'],
    codes: ['fails' => ['other-work', 'not-yet', 'ended'], 'waits' => ['no-sort', 'no-last-day']],
)]
final class PermitStatus
{
    /** @return array{days_left: int|null, fails: list<string>, waits: list<string>, verdict: string} days_left: after the day of use */
    public function __invoke(
        #[Text('wanted', longest: 60, about: 'which work it is wanted for')] string $wanted,
        #[Instant('used_at')] \DateTimeImmutable $usedAt,
        #[Text('sort', longest: 60, about: 'which work it is for')] ?string $sort = null,
        #[Day('valid_from')] ?\DateTimeImmutable $validFrom = null,
        #[Day('valid_until')] ?\DateTimeImmutable $validUntil = null,
        #[Text('time_zone')] string $timeZone = 'UTC',
    ): array {
        $day = Calendar::day($usedAt->setTimezone(Calendar::zone($timeZone, 'time_zone'))->format('Y-m-d'));
        $fails = array_keys(array_filter([
            'other-work' => $sort !== null && $sort !== $wanted,
            'not-yet' => $validFrom !== null && $day < $validFrom,
            'ended' => $validUntil !== null && $day > $validUntil,
        ]));
        $waits = array_keys(array_filter(['no-sort' => $sort === null, 'no-last-day' => $validUntil === null]));

        return [
            'days_left' => $validUntil === null ? null : (int) $day->diff($validUntil)->format('%r%a'),
            'fails' => $fails, 'waits' => $waits,
            'verdict' => ($fails !== [] ? Verdict::Bad : ($waits !== [] ? Verdict::Open : Verdict::Good))->value,
        ];
    }
}
