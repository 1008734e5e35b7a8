<?php

declare(strict_types=1);

namespace Diastoma\Core\Seal;

use Diastoma\Core\Procedure\Procedure;

/** A fact as it stands under a seal: what was typed and stored as one hash, all else in words. */
final class SealedFact
{
    /** What stands beside the hash, in this order, and how a person calls it. */
    public const PARTS = [
        'step' => 'step',
        'content' => 'content',
        'at' => 'time of recording',
        'received' => 'time of arrival',
        'device' => 'device',
        'clock_off_s' => 'correction of its clock, s',
        'by' => 'person',
        'role' => 'role',
        'supersedes' => 'what it replaces',
        'reason' => 'reason',
    ];

    /**
     * @param  array<string, mixed>  $fact  id, step, value, typed, at, received, by, role, supersedes, reason
     * @return array<string, mixed>
     */
    public static function of(array $fact): array
    {
        $content = hash('sha256', Procedure::canonical([$fact['value'] ?? [], $fact['typed'] ?? []]));

        return ['id' => $fact['id'] ?? null, 'content' => $content] + array_intersect_key($fact, self::PARTS);
    }
}
