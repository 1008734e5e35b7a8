<?php

namespace App\Pack;

use App\Actions\SealSubject;
use App\Models\Line;
use App\Support\Say;

/** The last seal of a line, as it is compared by eye with what another sheet or file has. */
final class Head
{
    /** @return string|null null: nothing is sealed */
    public static function said(Line $line): ?string
    {
        $head = SealSubject::head($line);

        return $head === null ? null : Say::text('pack.head', [
            'seals' => $head['seals'],
            'hash' => self::inGroups($head['hash']),
            'key' => $head['public_key'] ?? Say::text('pack.noKey'),
        ]);
    }

    public static function inGroups(string $hash): string
    {
        return trim(chunk_split($hash, 8, ' '));
    }
}
