<?php

namespace App\Http\Resources;

use App\Models\Pack;

/** A file that is made in the background, as a page shows it. */
final class PackRow
{
    /** @return array<string, mixed> */
    public static function of(Pack $pack): array
    {
        return [
            'id' => $pack->id,
            'kind' => $pack->kind->value,
            'test_id' => $pack->test_id,
            'state' => $pack->state->value,
            'done' => $pack->done,
            'total' => $pack->total,
            'asked_at' => $pack->asked_at->toIso8601ZuluString(),
            'by' => $pack->user->name,
            'as_of' => $pack->as_of?->toIso8601ZuluString(),
            'bytes' => $pack->bytes,
            'sha256' => $pack->sha256,
        ];
    }
}
