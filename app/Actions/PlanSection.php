<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\PressureTest;
use App\Models\Section;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Pipe\Material;
use Diastoma\Core\PressureTest\SectionPlan;
use Diastoma\Core\Procedure\Tells\Clock;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What the core says of a section before its test, and the beginning of one. */
final class PlanSection
{
    public function __construct(private readonly Registry $registry, private readonly JudgeSubject $judge)
    {
    }

    /** @return array<string, mixed> */
    public function plan(Section $section): array
    {
        $line = $section->line;

        return (new SectionPlan($this->registry))->plan(
            $line->centre_line, $line->pipe,
            ['from_m' => $section->from_m, 'to_m' => $section->to_m, 'mdp_bar' => $line->mdp_bar] + $section->ask,
            array_values($this->joints($section)->map(fn (Joint $j) => [
                'number' => $j->number, 'state' => $j->state, 'verdict' => $j->verdict, 'test_from' => $j->clocks[Clock::TEST] ?? null,
            ])->all()),
        );
    }

    /**
     * Joints inside the section that are part of the line today.
     *
     * @return Collection<int, Joint>
     */
    public function joints(Section $section): Collection
    {
        return Joint::query()->where('line_id', $section->line_id)->where('state', '!=', 'cut-out')
            ->where('chainage_m', '>', $section->from_m - 1e-6)->where('chainage_m', '<', $section->to_m + 1e-6)
            ->orderBy('chainage_m')->get();
    }

    public function begin(Section $section): PressureTest
    {
        return DB::transaction(fn () => $this->next(Section::query()->lockForUpdate()->findOrFail($section->id)));
    }

    private function next(Section $section): PressureTest
    {
        $plan = $this->plan($section);
        $test = new PressureTest([
            'id' => (string) Str::uuid(), 'section_id' => $section->id, 'number' => (int) $section->tests()->max('number') + 1,
            'context' => [
                'segments' => $plan['segments'], 'allowance_segments' => $plan['allowance_segments'], 'gauge_target_kpa' => round($plan['gauge']['target_kpa'], 3),
                'stp_kpa' => $plan['stp_kpa'], 'time_zone' => $section->line->project->time_zone, 'creep_m' => $section->line->pipe['creep_m'] ?? null,
                'allowance_material' => Material::startValues($section->line->pipe['material'])['allowance_material'],
                'open_at_start' => $plan['missing'],
            ],
        ]);
        $test->save();
        ($this->judge)($test);

        return $test;
    }
}
