<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Subject;
use App\Models\User;
use App\Support\Say;
use Diastoma\Core\Procedure\Kind\Hold;

/** Who made something alone does not accept it: two people look at what will be buried. A project may loosen that. */
final class OwnWork
{
    /**
     * Is all that stands of it, signatures apart, of this person? Where nothing stands nobody made it, and who only says that
     * something was so, as of a day or a delivery, says it of his own.
     */
    public static function isOf(Subject $subject, User $by): bool
    {
        $procedure = $subject->procedure();
        foreach ($procedure->steps as $step) {
            if ($step->kind instanceof Hold && $step->kind->seals && $step->kind->own) {
                return false;
            }
        }
        $made = $subject->standing()->reject(fn (Fact $f) => $procedure->step($f->step)?->kind instanceof Hold);

        return $made->isNotEmpty() && $made->every(fn (Fact $f) => $f->user_id === $by->id);
    }

    public static function keepsFromSealing(Subject $subject, User $by): ?string
    {
        return ! $subject->line()->project->accepts_own_work && self::isOf($subject, $by)
            ? Say::text('refused.ownWork', ['name' => $subject->name()])
            : null;
    }

    /**
     * What this person should know of it before signing.
     *
     * @return array{text: string, may_seal: bool}|null null: somebody else had a hand in it
     */
    public static function says(Subject $subject, User $by): ?array
    {
        if ($subject->closed() !== null || ! self::isOf($subject, $by)) {
            return null;
        }
        $why = self::keepsFromSealing($subject, $by);

        return ['text' => $why ?? Say::text('called.ownWorkAllowed', ['name' => $subject->name()]), 'may_seal' => $why === null];
    }
}
