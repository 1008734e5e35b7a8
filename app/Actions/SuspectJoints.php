<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Joint;
use App\Models\PressureTest;
use App\Models\Section;
use App\Models\User;
use Diastoma\Core\PressureTest\Suspects;
use Diastoma\Core\Procedure\Reason;
use Diastoma\Core\Procedure\StepState;
use Diastoma\Core\Verdict;

/** After a bad test: the joints of its section to look at first, with what is known of them. */
final class SuspectJoints
{
    public function __construct(private readonly PlanSection $planning)
    {
    }

    /** @return list<array<string, mixed>> none unless the last test is bad */
    public function __invoke(Section $section, User $reader): array
    {
        $last = $section->tests->sortByDesc('number')->first();
        if (! $last instanceof PressureTest || $last->verdict !== Verdict::Bad->value) {
            return [];
        }
        $joints = $this->planning->joints($section)->keyBy('number');
        $facts = Fact::query()
            ->where('subject_type', 'joint')
            ->whereIn('subject_id', $joints->pluck('id'))
            ->groupBy('subject_id')
            ->selectRaw('subject_id, MAX(recorded_at) AS made_at, COUNT(supersedes) AS corrected')
            ->get()
            ->keyBy('subject_id');
        $known = array_values($joints->map(fn (Joint $joint) => [
            'number' => $joint->number,
            'chainage_m' => $joint->chainage_m,
            'verdict' => $joint->verdict,
            'is_repair' => $joint->replaces_id !== null,
            'is_closing' => $joint->closes(),
            'corrected' => (int) ($facts[$joint->id]->corrected ?? 0),
            'made_at' => $facts[$joint->id]->made_at ?? null,
        ])->all());

        return array_map(
            fn (array $suspect) => [
                'id' => $joints[$suspect['number']]->id,
                'near' => \in_array('close', $suspect['why'], true) ? $this->near($joints[$suspect['number']]->id, $reader) : [],
            ] + $suspect,
            Suspects::among($known),
        );
    }

    /** @return list<string> readings near their limits, in words */
    private function near(string $id, User $reader): array
    {
        $joint = Joint::query()->findOrFail($id);
        $zone = new \DateTimeZone($joint->line()->project->time_zone);
        $reasons = array_merge(...array_values(array_map(fn (StepState $step) => $step->reasons, $joint->judgement()->steps)));
        $near = array_filter($reasons, fn (Reason $reason) => $reason->verdict === Verdict::Close);

        return array_values(array_map(fn (Reason $reason) => $reason->text->in($reader->units, $zone), $near));
    }
}
