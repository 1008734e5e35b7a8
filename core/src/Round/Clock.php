<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Refused;

/** Clock positions on the pipe's cross-section: 12 at the top, clockwise looking in the laying direction. */
final class Clock
{
    /** "7:30", "3 o'clock", "12" -> degrees from the top, 0 <= θ < 360. */
    public static function degrees(string $text, string $field = 'clock'): float
    {
        if (preg_match("/^(\\d{1,2})(?::(\\d\\d))?(?:\\s*o['’]clock)?$/u", trim($text), $m) === 1) {
            $hour = (int) $m[1];
            $minute = (int) ($m[2] ?? 0);
            if ($hour <= 12 && $minute < 60 && ! ($hour === 12 && strlen($m[1]) > 2)) {
                return fmod(30.0 * ($hour % 12) + $minute / 2, 360);
            }
        }
        throw Refused::field($field, "\"{$text}\" is no clock position; write the hour, or hour and minutes such as 7:30 (12 at the top, up to 12:59).");
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
