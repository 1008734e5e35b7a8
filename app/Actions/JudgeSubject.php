<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Pipe;
use App\Models\Stretch;
use App\Models\Subject;
use Diastoma\Core\Pipe\PipeNumber;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/** Judges a joint, test or stretch from all its facts and keeps the short form on its row, for lists and the string. */
final class JudgeSubject
{
    public function __invoke(Subject $subject): Judgement
    {
        $judgement = $subject->judgement();
        if ($subject instanceof Joint && $this->notePipes($subject, $judgement)) {
            $judgement = $subject->judgement();
        }
        $worst = $judgement->headline()[0] ?? null;
        $subject->fill([
            'verdict' => $judgement->verdict->value,
            'done' => $judgement->done,
            'total' => $judgement->total,
            'next_step' => $judgement->next,
            'clocks' => $judgement->clocks,
            'headline' => $worst === null || $worst['reason']->verdict === Verdict::Good
                    ? null
                    : [$worst['reason']->toArray(UnitSystem::Metric, null)],
            'state' => $this->state($subject, $judgement),
        ]);
        if ($subject instanceof Joint) {
            $this->noteTold($subject, $judgement);
        }
        $subject->save();
        if ($subject instanceof Stretch) {
            app(NoteOnLine::class)($subject, $judgement->told);
        }

        return $judgement;
    }

    /**
     * What hangs on it: whether the pipes of a joint may be drawn hangs on its restraints, whether a stretch may be covered on
     * its joints.
     *
     * @return list<Subject> judged anew
     */
    public function dependants(Subject $subject): array
    {
        if (! $subject instanceof Joint) {
            return [];
        }
        $hang = $subject->host_id === null ? [] : [Joint::query()->findOrFail($subject->host_id)];
        // Most entries change nothing that a stretch asks of its joints; one that was only planned was not made before either.
        $isNew = $subject->recorded()->count() === 1;
        if ($subject->wasChanged('verdict') || ! $isNew && $subject->wasChanged(['state', 'clocks'])) {
            array_push($hang, ...$this->askingFor($subject));
        }
        array_map($this->__invoke(...), $hang);

        return $hang;
    }

    /** @return list<Stretch> that lie over a joint and ask how it is, not signed yet */
    private function askingFor(Joint $joint): array
    {
        $over = Stretch::query()
            ->where('line_id', $joint->line_id)
            ->whereIn('state', ['begun', 'made'])
            ->where('from_m', '<=', $joint->chainage_m)
            ->whereRaw('COALESCE(to_m, from_m) >= ?', [$joint->chainage_m])
            ->with('procedureText')
            ->get();

        return array_values($over->filter(fn (Stretch $s) => $s->procedure()->asks('joints'))->all());
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

    /** Recorded pipe numbers replace the planned ones; true when other pipes meet here than were thought. */
    private function notePipes(Joint $joint, Judgement $judgement): bool
    {
        $numbers = array_filter($judgement->told->pipes, is_string(...));
        if (! isset($numbers['a'])) {
            return false;
        }
        $by = $joint->recorded()->last()?->user_id;
        $pipes = array_map(fn (string $number) => $this->pipe($joint, $number, $by), $numbers);
        if ($pipes['a']->id === $joint->pipe_a_id && ($pipes['b'] ?? null)?->id === $joint->pipe_b_id) {
            return false;
        }
        $joint->meets($pipes);

        return true;
    }

    /** One of the two that are known already, else found by its number or made. */
    private function pipe(Joint $joint, string $number, ?int $by): Pipe
    {
        foreach (['a', 'b'] as $side) {
            $known = $joint->pipeOf($side);
            if ($known?->plain === PipeNumber::plain($number)) {
                return $known;
            }
        }

        return Pipe::findOrMake($joint->line(), $number, $by);
    }

    /** What its procedure tells of a joint, for the string and the register. */
    private function noteTold(Joint $joint, Judgement $judgement): void
    {
        $told = $judgement->told;
        $joint->fill(['left_face' => $told->leftFace, 'register' => $told->register, 'signed_by' => $judgement->sealedBy()]);
        $laid = array_filter(
            [$joint->pipeOf('a'), $joint->pipeOf('b')],
            fn (?Pipe $pipe) => $told->leftFace && $pipe?->state === Pipe::TO_HAND,
        );
        array_map(fn (Pipe $pipe) => $pipe->update(['state' => Pipe::LAID]), $laid);
    }
}
