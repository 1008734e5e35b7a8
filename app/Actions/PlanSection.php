<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Pipe;
use App\Models\PressureTest;
use App\Models\Section;
use App\Models\Stretch;
use App\Support\Say;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Pipe\Material;
use Diastoma\Core\PressureTest\SectionPlan;
use Diastoma\Core\Procedure\Tells\Clock;
use Diastoma\Core\Refused;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * What the core says of a section before its test, and the beginning of one.
 *
 * @phpstan-import-type Run from SectionPlan
 * @phpstan-import-type Ask from SectionPlan
 * @phpstan-import-type Held from SectionPlan
 * @phpstan-import-type Bend from SectionPlan
 */
final class PlanSection
{
    /** What a method reads that takes its pressure from the plan. */
    public const AT_GAUGE = 'gauge_target_kpa';

    /** Under which name a record tells for which pressure it holds, kPa. */
    private const HELD_FOR = 'held_kpa';

    /** How many joints are held in memory at a time. */
    private const AT_ONCE = 500;

    /** Shorter than this is no run. */
    private const NOTHING_M = 1e-6;

    public function __construct(private readonly Registry $registry, private readonly JudgeSubject $judge)
    {
    }

    /** @return array<string, mixed> */
    public function plan(Section $section): array
    {
        $line = $section->line;
        $method = $section->method->procedure();

        /** @var Ask $ask */
        $ask = ['from_m' => $section->from_m, 'to_m' => $section->to_m, 'mdp_bar' => $line->mdp_bar] + $section->ask;

        return (new SectionPlan($this->registry))->plan(
            $line->centre_line, $this->runs($section), $ask,
            array_values(self::within($section)->select(['id', 'number', 'state', 'verdict', 'clocks'])->lazy(self::AT_ONCE)
                ->map(fn (Joint $j) => [
                    'number' => $j->number, 'state' => $j->state, 'verdict' => $j->verdict, 'test_from' => $j->clocks[Clock::TEST] ?? null,
                ])->all()),
            $method->medium, $method->asks(self::AT_GAUGE), $this->held($section), $this->bends($section),
        );
    }

    /**
     * What holds the thrust within it: records that tell from when there may be pressure, concrete for one.
     *
     * @return list<Held>
     */
    private function held(Section $section): array
    {
        return array_values(
            Stretch::query()
                ->where('line_id', $section->line_id)
                ->where('from_m', '<=', $section->to_m)
                ->whereRaw('COALESCE(to_m, from_m) >= ?', [$section->from_m])
                ->with(['procedureText', 'ofLine.project'])
                ->orderBy('from_m')
                ->orderBy('name')
                ->get()
                ->filter(fn (Stretch $of) => isset($of->procedure()->tells->clocks[Clock::TEST]))
                ->map(fn (Stretch $of) => [
                    'name' => $of->name(), 'state' => $of->state, 'verdict' => $of->verdict,
                    'test_from' => $of->clocks[Clock::TEST] ?? null, 'at_m' => max($section->from_m, min($section->to_m, $of->from_m)),
                    'to_m' => min($section->to_m, $of->to_m ?? $of->from_m),
                    'held_kpa' => self::figure($of->judgement()->told->register[self::HELD_FOR] ?? null),
                ])
                ->all(),
        );
    }

    /** @return list<Bend> pieces of the line that lie in the section between two of its joints */
    private function bends(Section $section): array
    {
        $bends = Pipe::query()->where('line_id', $section->line_id)->whereNotNull('bend')->where('state', '!=', Pipe::REJECTED)->get();
        $named = Joint::query()
            ->where('line_id', $section->line_id)
            ->where('place', 'in-line')
            ->where('state', '!=', 'cut-out')
            ->where(fn (Builder $q) => $q->whereIn('pipe_a_id', $bends->modelKeys())->orWhereIn('pipe_b_id', $bends->modelKeys()))
            ->get(['pipe_a_id', 'pipe_b_id'])
            ->flatMap(fn (Joint $joint) => [$joint->pipe_a_id, $joint->pipe_b_id]);

        $set = [];
        foreach ($bends->whereIn('id', $named->all()) as $pipe) {
            $bend = $pipe->bend();
            if ($bend !== null && $bend->at > $section->from_m && $bend->at < $section->to_m) {
                $set[] = ['number' => $pipe->number, 'at_m' => $bend->at, 'bend_deg' => $bend->turn];
            }
        }
        usort($set, fn (array $a, array $b): int => $a['at_m'] <=> $b['at_m']);

        return $set;
    }

    private static function figure(mixed $told): ?float
    {
        return \is_int($told) || \is_float($told) ? (float) $told : null;
    }

    /**
     * The pipes of the section, one kind after the other.
     *
     * @return non-empty-list<Run> size of a pipe, with length_m of the run
     */
    public function runs(Section $section): array
    {
        $inLine = Joint::query()
            ->select(['id', 'chainage_m', 'pipe_a_id', 'pipe_b_id'])
            ->where('line_id', $section->line_id)
            ->where('place', 'in-line')
            ->where('state', '!=', 'cut-out')
            ->orderBy('chainage_m');
        $inside = $inLine->clone()->where('chainage_m', '>', $section->from_m)->where('chainage_m', '<', $section->to_m)->get();
        // The pipe that reaches over the end is that of the joint beyond it; where there is none, the last joint's second.
        $joints = $inside->merge($inLine->clone()->where('chainage_m', '>=', $section->to_m)->limit(1)->get());
        if ($joints->isEmpty()) {
            $joints = $inLine->clone()->reorder()->orderByDesc('chainage_m')->limit(1)->get();
        }
        $ids = [...$joints->pluck('pipe_a_id'), ...$joints->pluck('pipe_b_id')];
        $pipes = Pipe::query()->select(['id', 'size'])->whereIn('id', $ids)->get()->keyBy('id');
        $at = $section->from_m;
        $runs = [];
        foreach ($joints as $joint) {
            $to = min($joint->chainage_m, $section->to_m);
            if ($to > $at + self::NOTHING_M) {
                $runs[] = ['length_m' => $to - $at] + ($pipes[$joint->pipe_a_id]->size ?? $section->line->pipe);
                $at = $to;
            }
        }
        if ($section->to_m > $at + self::NOTHING_M || $runs === []) {
            $runs[] = ['length_m' => $section->to_m - $at] + ($pipes[$joints->last()?->pipe_b_id]->size ?? $section->line->pipe);
        }

        /** @var non-empty-list<Run> */
        return self::joined($runs);
    }

    /**
     * Runs of the same pipe are one.
     *
     * @param  non-empty-list<array<string, mixed>>  $runs
     * @return non-empty-list<array<string, mixed>>
     */
    private static function joined(array $runs): array
    {
        $joined = [array_shift($runs)];
        foreach ($runs as $run) {
            $last = \count($joined) - 1;
            if (array_diff_key($run, ['length_m' => true]) == array_diff_key($joined[$last], ['length_m' => true])) {
                $joined[$last]['length_m'] += $run['length_m'];
            } else {
                $joined[] = $run;
            }
        }

        return $joined;
    }

    /**
     * What the make-up methods call the material; polyethylene wherever there is some, for no allowance is for it.
     *
     * @param  list<array<string, mixed>>  $runs
     */
    private static function allowanceMaterial(array $runs): ?string
    {
        $all = array_values(
            array_unique(array_map(fn (array $run) => Material::startValues($run['material'])['allowance_material'], $runs)),
        );

        return \in_array('pe', $all, true) ? 'pe' : (\count($all) === 1 ? $all[0] : null);
    }

    /**
     * Joints inside the section that are part of the line today.
     *
     * @return Collection<int, Joint>
     */
    public function joints(Section $section): Collection
    {
        return self::within($section)->get();
    }

    /** @return list<float> m, where they lie */
    public function chainages(Section $section): array
    {
        return array_values(array_map(floatval(...), self::within($section)->toBase()->pluck('chainage_m')->all()));
    }

    /** @return Builder<Joint> {@see joints()}, of which there may be very many */
    public static function within(Section $section): Builder
    {
        return Joint::query()->where('line_id', $section->line_id)->where('state', '!=', 'cut-out')
            ->where('chainage_m', '>', $section->from_m - 1e-6)->where('chainage_m', '<', $section->to_m + 1e-6)
            ->orderBy('chainage_m')->orderBy('id');
    }

    public function begin(Section $section): PressureTest
    {
        return DB::transaction(fn () => $this->next(Section::query()->lockForUpdate()->findOrFail($section->id)));
    }

    /** Refused where a test of it was begun. */
    public function remove(Section $section): void
    {
        DB::transaction(function () use ($section): void {
            $own = Section::query()->lockForUpdate()->findOrFail($section->id);
            if ($own->tests()->exists()) {
                throw Refused::field('section', Say::text('refused.sectionHasTest', ['name' => $own->name]));
            }
            $own->delete();
        });
    }

    private function next(Section $section): PressureTest
    {
        $plan = $this->plan($section);
        $runs = $this->runs($section);
        $test = new PressureTest([
            'id' => (string) Str::uuid(), 'section_id' => $section->id, 'number' => (int) $section->tests()->max('number') + 1,
            'context' => [
                'segments' => $plan['segments'],
                'allowance_segments' => $plan['allowance_segments'],
                'section_m' => $plan['length_m'],
                'volume_m3' => $plan['compliance']['volume_m3'],
                'largest_mm' => max([0, ...array_column($plan['allowance_segments'], 'dn_mm')]),
                'gauge_target_kpa' => round($plan['gauge']['target_kpa'], 3),
                'gauge_most_kpa' => $plan['gauge']['pipe_max_stated'] ? round($plan['gauge']['max_kpa'], 3) : null,
                'stp_kpa' => $plan['stp_kpa'],
                'time_zone' => $section->line->project->time_zone,
                'creep_m' => max(array_map(fn (array $run) => $run['creep_m'] ?? 0, $runs)) ?: null,
                'allowance_material' => self::allowanceMaterial($runs),
                'open_at_start' => $plan['missing'],
            ],
        ]);
        $test->save();
        ($this->judge)($test);

        return $test;
    }
}
