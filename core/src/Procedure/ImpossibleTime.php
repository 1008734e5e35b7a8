<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Verdict;

/**
 * A time of recording that cannot be: after the entry arrived, or before work on the line began. Nothing that waits on a time
 * may rest on it, so it is open and says why. In a practice project the clock of the device counts as it is: who practises need
 * not wait two hours for a coupling to cool.
 */
final class ImpossibleTime
{
    /** Clocks agree no better than this, s. */
    private const TOLERATED_S = 120;

    private const DAY = '/^\d{4}-\d{2}-\d{2}$/';

    /** @return list<Reason> */
    public static function of(Fact $fact, Known $known): array
    {
        if (($known->line['practice'] ?? false) === true) {
            return [];
        }
        $latest = $fact->received ?? $known->moment;
        if ($fact->at->getTimestamp() - $latest->getTimestamp() > self::TOLERATED_S) {
            return [self::said($fact, ', a time that had not come yet when it arrived: the clock of the device was wrong.')];
        }
        $begun = self::beginning($known);

        return $begun !== null && $fact->at < $begun
            ? [self::said($fact, ", before work on this line began on {$begun->format('j F Y')}.")]
            : [];
    }

    private static function said(Fact $fact, string $why): Reason
    {
        return new Reason(
            Verdict::Open,
            new Spoken(['Recorded at ', [$fact->at->format(Known::TIME), 'at', 'time'], $why]),
            Spoken::plain('Set the clock of the device, then enter it again and say why.'),
        );
    }

    /** Midnight at the place; null: nobody said when work began. */
    private static function beginning(Known $known): ?\DateTimeImmutable
    {
        $day = $known->line['begun_on'] ?? null;

        return \is_string($day) && preg_match(self::DAY, $day) === 1 ? new \DateTimeImmutable($day, $known->timeZone()) : null;
    }
}
