<?php

namespace App\Actions;

use App\Models\Line;
use App\Models\Role;
use App\Models\Seal;
use App\Models\User;
use App\Support\Conflict;
use App\Support\Say;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;
use Illuminate\Support\Facades\DB;

/**
 * Seals anew what is broken in the chain of a line, as it stands now: a seal of its own that names each break, with who, when
 * and why. The broken seals stay as they are, and what was found under them stays said.
 */
final readonly class SealAnew
{
    /** What such a seal is over. */
    public const TYPE = 'line';

    private const LEAST_REASON = 10;

    public function __construct(private SealSubject $seal)
    {
    }

    public function __invoke(Line $line, User $by, Role $role, string $reason): Seal
    {
        if (mb_strlen(trim($reason)) < self::LEAST_REASON) {
            throw Refused::field('reason', Say::text('refused.whySealedAnew'));
        }

        return DB::transaction(function () use ($line, $by, $role, $reason): Seal {
            $locked = Line::query()->lockForUpdate()->findOrFail($line->id);
            $breaks = ExamineSeals::of($locked)['breaks'];
            if ($breaks === []) {
                throw new Conflict('line', Say::text('refused.nothingBroken'));
            }

            return $this->seal->set($locked, self::TYPE, $locked->id, $locked->procedure_hash, [
                'verdict' => Verdict::Open->value, 'user' => $by->id, 'role' => $role->value, 'alone' => false,
                'judged_with' => ['reason' => trim($reason), 'repairs' => $breaks],
            ]);
        }, 3);
    }

    /** @param  array<string, mixed>  $said  what was known when it was set */
    public static function says(Seal $seal, array $said): string
    {
        return Say::text('pack.sealedAnew', [
            'at' => substr($seal->sealed_at, 0, 16).' UTC',
            'name' => (string) User::query()->whereKey($seal->user_id)->value('name'),
            'reason' => rtrim(\is_string($said['reason'] ?? null) ? $said['reason'] : '', '. '),
        ]);
    }
}
