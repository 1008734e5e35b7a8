<?php

declare(strict_types=1);

namespace Diastoma\Core;

/** Moments as the record writes them: in UTC, in the years 1 to 9999. */
final class Calendar
{
    private const FIRST_S = -62135596800;

    private const LAST_S = 253402300799;

    /**
     * A moment as it is written in ISO 8601. Of the letter Z, PHP searches its list of all zones: ten times the work of an offset.
     *
     * @throws \Exception when it is no time
     */
    public static function read(string $iso): \DateTimeImmutable
    {
        return new \DateTimeImmutable(str_ends_with($iso, 'Z') ? substr($iso, 0, -1).'+00:00' : $iso);
    }

    /** The beginning of a day in UTC, by which days are told apart. */
    public static function day(string $iso): \DateTimeImmutable
    {
        return self::read("{$iso}T00:00:00Z");
    }

    /** May this moment be written with a year of four digits, in UTC? */
    public static function holds(\DateTimeImmutable $moment): bool
    {
        $at = $moment->getTimestamp();

        return $at >= self::FIRST_S && $at <= self::LAST_S;
    }

    /**
     * A moment some seconds later, counted in UTC.
     *
     * @param  float  $seconds  0 or more
     * @param  string  $field  refused when the moment leaves the calendar: the input that carries it there
     *
     * @throws Refused
     */
    public static function later(\DateTimeImmutable $from, float $seconds, string $field): \DateTimeImmutable
    {
        if (! ($from->getTimestamp() + $seconds <= self::LAST_S)) {
            throw Refused::field($field, sprintf('%s leads beyond the year 9999 (%g s after %s).', $field, $seconds, self::utc($from)));
        }
        $whole = floor($seconds);
        $utc = $from->setTimezone(new \DateTimeZone('UTC'));

        $later = $utc->modify(sprintf('+%d seconds', $whole));

        return $whole === $seconds ? $later : $later->modify(sprintf('+%d microseconds', (int) round(($seconds - $whole) * 1e6)));
    }

    /**
     * @param  string  $name  "Europe/Vienna", or an offset
     *
     * @throws Refused naming the field
     */
    public static function zone(string $name, string $field): \DateTimeZone
    {
        try {
            $zone = new \DateTimeZone($name);
        } catch (\Throwable) {
            throw Refused::field(
                $field,
                "{$field} \"{$name}\" is not known; write a name such as Europe/Vienna or an offset such as -05:00.",
            );
        }

        // Out of the offset that it writes, a moment must be readable again.
        return preg_match('/^[+-](0\d|1[0-3]):[0-5]\d$|^[+-]14:00$|^[A-Za-z]/', $zone->getName()) === 1
            ? $zone : throw Refused::field($field, "{$field} \"{$name}\" is no offset of a clock; allowed is -14:00 to +14:00.");
    }

    /** ISO 8601, to the second, "2026-06-30T22:06:00Z". */
    public static function utc(\DateTimeImmutable $moment): string
    {
        return $moment->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }

    /** Seconds from one moment to another; minus when the second comes first. */
    public static function seconds(\DateTimeImmutable $from, \DateTimeImmutable $to): float
    {
        return (float) $to->format('U.u') - (float) $from->format('U.u');
    }
}
