<?php

namespace App\Actions;

use App\Models\Contested;
use App\Models\Fact;
use App\Models\Role;
use App\Models\Subject;
use App\Models\User;
use App\Support\Conflict;
use App\Support\Say;
use Diastoma\Core\Procedure\Kind\Hold;

/** Keeps a reading that contradicts what is recorded already: nobody's is dropped. It counts when somebody has decided so. */
final class KeepContested
{
    /** What a conflict is about that two people can have between them. */
    private const BETWEEN_TWO = ['step', 'part', 'supersedes', 'subject'];

    /**
     * @param  array<string, mixed>  $body  {@see RecordFact}
     *
     * @throws Conflict where it is a slip of the same hand: that is put right by who made it
     */
    public function __invoke(Subject $subject, User $by, Role $role, array $body, Conflict $conflict): Contested
    {
        // The same one once more, whose answer was lost.
        $known = Contested::query()->where('id', $body['id'])->where('body_hash', RecordFact::hash($subject, $body))->first();
        if ($known !== null) {
            return $known;
        }
        if (! \in_array($conflict->field, self::BETWEEN_TWO, true) || ! $this->hasOther($subject, $by, $body, $conflict)) {
            throw $conflict;
        }
        $step = $subject->procedure()->step($body['step']);
        if ($step === null || $step->kind instanceof Hold) {
            // Who signs sees what stands there: a signature is given again, and not kept for later.
            throw $conflict;
        }
        // What cannot be read is refused here as anywhere.
        $step->normalise($body['value']);

        // Sent twice at once it is kept once.
        $kept = Contested::query()->createOrFirst(['id' => $body['id']], [
            'subject_type' => $subject->getMorphClass(),
            'subject_id' => $subject->getKey(),
            'step' => $step->key(),
            'value' => $body['value'],
            'recorded_at' => RecordFact::recordedAt($body),
            'user_id' => $by->id,
            'role' => $role->value,
            'device' => $body['device'] ?? null,
            'clock_off_s' => $body['clock_off_s'] ?? null,
            'body_hash' => RecordFact::hash($subject, $body),
            'why' => $conflict->getMessage(),
            'received_at' => now()->format('Y-m-d H:i:s.v'),
        ]);

        return $kept->body_hash === RecordFact::hash($subject, $body) ? $kept : throw new Conflict('id', Say::text('refused.factIdTaken'));
    }

    /**
     * Did another person, or another device of the same one, record what counts there?
     *
     * @param  array<string, mixed>  $body
     */
    private function hasOther(Subject $subject, User $by, array $body, Conflict $conflict): bool
    {
        if ($conflict->field === 'subject') {
            return true;
        }
        $device = $body['device'] ?? null;

        return $subject->recorded()
            ->where('step', $body['step'])
            ->contains(fn (Fact $f) => $f->user_id !== $by->id || ($device !== null && $f->device !== null && $f->device !== $device));
    }
}
