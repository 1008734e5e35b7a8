<?php

namespace App\Support;

use App\Models\Subject;
use Illuminate\Http\Request;

/** By how much the clock of a device is off, as it says with what it sends; a device that knows it corrects its times itself. */
final class DeviceClock
{
    public const HEADER = 'X-Device-Clock';

    /** Clocks agree no better than this, s. */
    private const TOLERATED_S = 60;

    /** No clock is further off: what is, is no time. Wide enough for one that began again in 1970. */
    public const MOST_S = 2_000_000_000;

    /**
     * @param  int|null  $known  by how much the device has corrected its time already
     * @return int|null s; null: it is right, or nothing is known of it
     */
    public static function ahead(Request $request, Subject $subject, ?int $known): ?int
    {
        $said = $request->header(self::HEADER);
        // Who practises sets the clock on, and does not wait.
        if ($known !== null || $subject->line()->project->practice || ! is_numeric($said)) {
            return null;
        }
        $off = ((float) $said - now()->getTimestampMs()) / 1000;

        return abs($off) > self::TOLERATED_S && abs($off) <= self::MOST_S ? (int) round($off) : null;
    }
}
