<?php

declare(strict_types=1);

namespace Diastoma\Core\Instrument;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Day;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Calendar;
use Diastoma\Core\Verdict;

/** Was the instrument in calibration when it was used? The due day itself, in site time, still counts. */
#[Calculates(
    'calibration-status',
    'Was the instrument in date when used?',
    Family::Measuring,
    ['due_on', 'days_left', 'verdict', 'reasons'],
    'Common practice; the verdict belongs to the moment of use',
    verdicts: ['good', 'bad', 'open'],
)]
final class CalibrationStatus
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Text('used_at', about: 'moment with offset, or the day in site time')] string $usedAt,
        #[Day('calibrated_on')] ?\DateTimeImmutable $calibratedOn = null,
        #[Number('interval_months', min: 1, max: 600, whole: true)] ?float $months = null,
        #[Day('due_on')] ?\DateTimeImmutable $dueOn = null,
        #[Text('time_zone')] string $timeZone = 'UTC',
        #[Number('uses', min: 0, whole: true)] ?float $uses = null,
        #[Number('max_uses', min: 0, whole: true)] ?float $maxUses = null,
        #[Number('warn_days', min: 0)] float $warnDays = 30.0,
        #[Choice('as_found', ['in', 'out'])] ?string $asFound = null,
    ): array {
        $usedOn = $this->siteDay($usedAt, $timeZone);
        $due = $dueOn ?? ($calibratedOn !== null && $months !== null ? self::addMonths($calibratedOn, (int) $months) : null);
        $left = $due === null ? null : (int) $usedOn->diff($due)->format('%r%a');
        $verdicts = [Verdict::Good];
        $reasons = [];
        if ($left === null) {
            $verdicts[] = Verdict::Open;
            $reasons[] = 'no due date';
        } elseif ($left < 0) {
            $verdicts[] = Verdict::Bad;
            $reasons[] = 'overdue by '.-$left.' days';
        } elseif ($left <= $warnDays) {
            $reasons[] = "due in {$left} days";
        }
        if ($uses !== null && $maxUses !== null && $uses > $maxUses) {
            $verdicts[] = Verdict::Bad;
            $reasons[] = sprintf('uses: %d of %d', $uses, $maxUses);
        }
        if ($calibratedOn !== null && $usedOn < $calibratedOn) {
            $verdicts[] = Verdict::Open;
            $reasons[] = 'used before it was calibrated: only an as-found value can vouch for it';
        }
        if ($asFound === 'out') {
            $verdicts[] = Verdict::Open;
            $reasons[] = 'found out of tolerance at a later calibration';
        }

        return [
            'due_on' => $due?->format('Y-m-d'),
            'days_left' => $left,
            'verdict' => Verdict::worst(...$verdicts)->value,
            'reasons' => $reasons,
        ];
    }

    private function siteDay(string $usedAt, string $timeZone): \DateTimeImmutable
    {
        $zone = Calendar::zone($timeZone, 'time_zone');
        if (preg_match('/^\d{4}-\d\d-\d\d$/', $usedAt) === 1) {
            return (new Day('used_at'))->read($usedAt, 'used_at', 'used_at', Family::Measuring);
        }
        $moment = Instant::parse($usedAt, 'used_at', 'used_at');

        return Calendar::day($moment->setTimezone($zone)->format('Y-m-d'));
    }

    /** The same day of a later month, at the most its last day: PHP's own "+1 month" rolls over. */
    public static function addMonths(\DateTimeImmutable $day, int $months): \DateTimeImmutable
    {
        $first = $day->modify('first day of this month')->modify("+{$months} months");
        $last = (int) $first->format('t');

        return $first->setDate((int) $first->format('Y'), (int) $first->format('n'), min((int) $day->format('j'), $last));
    }
}
