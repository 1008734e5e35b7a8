<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Refused;

/** Clock positions on the pipe's cross-section: 12 at the top, clockwise looking in the laying direction. */
final class Clock
{
    private const SAME_PLACE_DEG = 0.5;

    /** "7:30", "3 o'clock", "12" -> degrees from the top, 0 <= θ < 360. */
    public static function degrees(string $text, string $field = 'clock'): float
    {
        if (preg_match("/^([0-9]{1,2})(?::([0-9]{2}))?(?:\\s*o['’]clock)?$/Du", trim($text), $m) === 1) {
            $hour = (int) $m[1];
            $minute = (int) ($m[2] ?? 0);
            if ($hour <= 12 && $minute < 60 && ! ($hour === 12 && \strlen($m[1]) > 2)) {
                return fmod(30.0 * ($hour % 12) + $minute / 2, 360);
            }
        }
        throw Refused::field(
            $field,
            "\"{$text}\" is no clock position; write the hour, or hour and minutes such as 7:30 (12 at the top, up to 12:59).",
        );
    }

    /**
     * One place round the pipe that came as an angle, as a clock hour, or as both.
     *
     * @param  float|null  $angle  degrees from the top
     * @param  float|null  $hour  0 to 12
     * @return float degrees from the top
     *
     * @throws Refused naming the list of readings when none is given or the two mean different places
     */
    public static function place(?float $angle, ?float $hour): float
    {
        if ($angle === null && $hour === null) {
            throw Refused::field('readings', 'readings: each row needs angle_deg or clock_h.');
        }
        if ($angle !== null && $hour !== null) {
            $apart = abs(fmod($angle - 30 * $hour, 360));
            if (min($apart, 360 - $apart) > self::SAME_PLACE_DEG + 1e-9) {
                throw Refused::field(
                    'readings',
                    sprintf('readings: %g° and %g o\'clock (%g°) are two places; give one of them.', $angle, $hour, fmod(30 * $hour, 360)),
                );
            }
        }

        return $angle ?? 30 * (float) $hour;
    }

    /** Degrees -> "7:30", to the nearest minute; the top is written 12:00. */
    public static function text(float $degrees): string
    {
        $minutes = (int) round(fmod(fmod($degrees, 360) + 360, 360) * 2) % 720;
        $hour = intdiv($minutes, 60);

        return sprintf('%d:%02d', $hour === 0 ? 12 : $hour, $minutes % 60);
    }

    /** Hour in (0, 12]; below 1e-9 it is written 12. */
    public static function hour(float $radians): float
    {
        $hour = fmod(rad2deg($radians) / 30, 12);
        $hour = $hour < 0 ? $hour + 12 : $hour;

        return $hour < 1e-9 ? 12.0 : $hour;
    }
}
