<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Subject;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/** Judges a joint or test from all its facts and keeps the short form on its row, for lists and the string. */
final class JudgeSubject
{
    public function __invoke(Subject $subject): Judgement
    {
        $judgement = $subject->judgement();
        $worst = $judgement->headline()[0] ?? null;
        $subject->fill([
            'verdict' => $judgement->verdict->value,
            'done' => $judgement->done,
            'total' => $judgement->total,
            'next_step' => $judgement->next,
            'clocks' => $judgement->clocks,
            'headline' => $worst === null || $worst['reason']->verdict === Verdict::Good ? null : [$worst['reason']->toArray(UnitSystem::Metric, null)],
            'state' => $this->state($subject, $judgement),
        ]);
        if ($subject instanceof Joint) {
            $this->noteTold($subject, $judgement);
        }
        $subject->save();

        return $judgement;
    }

    /**
     * What hangs on it: whether the pipes of a joint may be drawn hangs on its restraints.
     *
     * @return list<Subject> judged anew
     */
    public function dependants(Subject $subject): array
    {
        if (! $subject instanceof Joint || $subject->host_id === null) {
            return [];
        }
        $host = Joint::query()->findOrFail($subject->host_id);
        $this($host);

        return [$host];
    }

    private function state(Subject $subject, Judgement $judgement): string
    {
        $waitsOnlyForSignatures = array_filter(
            $judgement->steps,
            fn ($s) => ! $s->step->isA('hold') && ! $s->step->optional && $s->status !== 'done',
        ) === [];

        return match (true) {
            $subject->state === 'cut-out' => 'cut-out',
            $subject->sealed_at !== null => 'accepted',
            $judgement->done === 0 && $subject->recorded()->isEmpty() => 'planned',
            $waitsOnlyForSignatures => 'made',
            default => 'begun',
        };
    }

    /** What its procedure tells of a joint, for the string and the register; recorded pipe numbers replace the planned ones. */
    private function noteTold(Joint $joint, Judgement $judgement): void
    {
        $told = $judgement->told;
        $joint->fill(['left_face' => $told->leftFace, 'register' => $told->register, 'signed_by' => $judgement->sealedBy()]);
        if (($told->pipes['a'] ?? null) !== null) {
            $joint->pipes = ['a' => $told->pipes['a'], 'b' => $told->pipes['b'] ?? ''];
        }
    }
}
