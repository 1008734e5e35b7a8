<?php

namespace App\Actions;

use App\Models\Fact;
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
            $this->notePipes($subject, $judgement);
        }
        $subject->save();
        if ($subject instanceof Joint && $subject->host_id !== null) {
            // Whether the pipes may be drawn hangs on the restraints.
            $this(Joint::query()->findOrFail($subject->host_id));
        }

        return $judgement;
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
            $judgement->done === 0 && $subject->facts()->doesntExist() => 'planned',
            $waitsOnlyForSignatures => 'made',
            default => 'begun',
        };
    }

    /** Recorded pipe numbers replace the planned ones on titles and in the register. */
    private function notePipes(Joint $joint, Judgement $judgement): void
    {
        $value = $judgement->steps['pipes']->fact->value ?? null;
        if (isset($value['pipe_a'])) {
            $joint->pipes = ['a' => $value['pipe_a'], 'b' => $value['pipe_b'] ?? ''];
        }
    }

    /**
     * What was typed where it is not the stored value itself: another unit's key, or text with its own unit.
     *
     * @return array<string, mixed>
     */
    private static function typed(Fact $fact): array
    {
        $plain = fn (mixed $v): bool => is_scalar($v);

        return array_filter(
            array_filter($fact->typed, $plain),
            fn (mixed $typed, string|int $key) => ! isset($fact->value[$key]) || (is_string($typed) && is_numeric($fact->value[$key])),
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @return list<array<string, mixed>> facts of a subject as the API shows them */
    public static function facts(Subject $subject): array
    {
        return array_values($subject->facts()->with('user')->get()->map(fn (Fact $f) => [
            'id' => $f->id, 'seq' => $f->seq, 'step' => $f->step, 'value' => $f->value, 'typed' => (object) self::typed($f), 'recorded_at' => $f->recorded_at,
            'by' => $f->user->name, 'role' => $f->role, 'supersedes' => $f->supersedes, 'reason' => $f->reason,
        ])->all());
    }
}
