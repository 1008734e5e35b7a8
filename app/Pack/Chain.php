<?php

namespace App\Pack;

use App\Actions\HoldSeals;
use App\Support\Say;
use Diastoma\Core\Procedure\Words;

/**
 * Whether the seals of a line hold, as it stands on paper.
 *
 * @phpstan-import-type Held from HoldSeals
 */
final class Chain
{
    /** @param  Held  $held */
    public static function said(array $held, Words $words): string
    {
        $isKnown = $held['held_at'] !== null || ! $held['waits'];
        $chain = match (true) {
            ! $isKnown => Say::text('pack.chainNotHeld'),
            $held['broken'] === [] => Say::text('pack.unbroken'),
            default => implode(' ', $held['broken']),
        };
        $when = $held['held_at'] === null ? [] : [
            Say::text('pack.chainHeld', ['at' => $words->moment($held['held_at']), 'seals' => $held['of']]),
        ];

        return implode(' ', [Say::text('pack.chain', ['chain' => $chain]), ...$when, ...$held['anew']]);
    }
}
