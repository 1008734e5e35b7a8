<?php

namespace App\Http\Resources;

use App\Models\Fact;

/** A fact as a page shows it. */
final class FactRow
{
    /** @return array<string, mixed> */
    public static function of(Fact $f): array
    {
        return [
            'id' => $f->id,
            'seq' => $f->seq,
            'step' => $f->step,
            'value' => $f->value,
            'typed' => (object) self::typed($f),
            'recorded_at' => $f->recorded_at,
            'by' => $f->by,
            'role' => $f->role,
            'supersedes' => $f->supersedes,
            'reason' => $f->reason,
            'clock_off_s' => $f->clock_off_s,
        ];
    }

    /**
     * What was typed where it is not the stored value itself: another unit's key, or text with its own unit.
     *
     * @return array<string, mixed>
     */
    private static function typed(Fact $fact): array
    {
        $plain = fn (mixed $v): bool => \is_scalar($v);

        return array_filter(
            array_filter($fact->typed, $plain),
            fn (mixed $typed, string|int $key) => ! isset($fact->value[$key]) || (\is_string($typed) && is_numeric($fact->value[$key])),
            ARRAY_FILTER_USE_BOTH,
        );
    }
}
