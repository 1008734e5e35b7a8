<?php

namespace App\Http\Resources;

use App\Actions\ExamineSeals;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Photo;
use App\Models\PressureTest;
use App\Models\Seal;
use App\Models\Stretch;
use App\Models\Subject;
use App\Pack\TestPack;
use Diastoma\Core\Procedure\Tells\Clock;

/** What the page of a joint, a test or a stretch shows beside its judgement. */
final class SubjectPage
{
    /** @return array<string, mixed> */
    public static function of(Subject $subject): array
    {
        $line = $subject->line();
        $photo = fn (Photo $p) => $p->only(['id', 'step', 'taken_at', 'width', 'height', 'late']) + ['by' => $p->user->name];

        return [
            'kind' => $subject->getMorphClass(),
            'id' => $subject->id,
            'name' => $subject->name(),
            'state' => $subject->state,
            'context' => $subject->context(),
            'photos' => $subject->photos()->with('user')->get()->map($photo)->all(),
            'facts' => $subject->recorded()->map(FactRow::of(...))->values()->all(),
            'procedure_hash' => $subject->procedure()->hash,
            'line' => [
                'id' => $line->id,
                'project_id' => $line->project_id,
                'name' => $line->name,
                'service' => $line->service,
                'time_zone' => $line->project->time_zone,
                'practice' => $line->project->practice,
            ],
            'closed' => $subject->closed(),
            'seal' => self::seal($subject, $line),
        ] +
            match (true) {
                $subject instanceof Joint => self::joint($subject),
                $subject instanceof PressureTest => [
                    'number' => (string) $subject->number,
                    'section' => $subject->section->only(['id', 'name', 'from_m', 'to_m']),
                    'pack_is_long' => TestPack::isLong($subject->section),
                    'asked_kpa' => $subject->asked_kpa,
                ],
                $subject instanceof Stretch => ['number' => $subject->name, 'chainage_m' => $subject->from_m, 'to_m' => $subject->to_m],
                default => [],
            };
    }

    /** @return array<string, mixed>|null */
    private static function seal(Subject $subject, Line $line): ?array
    {
        $seal = Seal::query()->where('subject_id', $subject->id)->first();

        return $seal === null ? null : $seal->only(['hash', 'previous', 'sealed_at', 'verdict', 'public_key']) + [
            'alone' => $seal->sayAlone(),
            'broken' => ExamineSeals::brokenUnder($seal, $line),
        ];
    }

    /** @return array<string, mixed> */
    private static function joint(Joint $joint): array
    {
        $named = fn (?string $id) => $id === null ? null : Joint::query()->find($id)?->only(['id', 'number']);
        $attached = Joint::query()->where('host_id', $joint->id)->orderBy('number')->get();
        $free = fn (Joint $j) => $j->only(['id', 'number', 'side', 'state', 'verdict']) + ['free_from' => $j->clocks[Clock::PULL] ?? null];

        return [
            'number' => $joint->number,
            'chainage_m' => $joint->chainage_m,
            'place' => $joint->place,
            'pipes' => $joint->pipes,
            'planned' => $joint->planned,
            'cut_out_reason' => $joint->cut_out_reason,
            'covered_at' => $joint->covered_at,
            'covering_id' => $joint->covering_id,
            'bare_at' => $joint->bare_at,
            'opening_id' => $joint->opening_id,
            'pulled_apart' => $joint->pulled_apart,
            'host' => $named($joint->host_id),
            'attached' => $attached->map($free)->all(),
            'replaces' => Joint::query()->find($joint->replaces_id ?? '')?->only(['id', 'number', 'pulled_apart']),
            'replaced_by' => Joint::query()
                ->where('replaces_id', $joint->id)
                ->orderBy('number')
                ->get()
                ->map->only(['id', 'number'])
                ->all(),
        ];
    }
}
