<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use App\Models\PressureTest;
use App\Models\Section;
use App\Models\Stretch;
use Diastoma\Core\Laying\CentreLine;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/** What lies near a place of a line, years later: joints and pipes with their serials, who made them, what was tested there. */
final class FindNear
{
    /** So many joints to each side: a dig finds the next ones. */
    private const EACH_SIDE = 3;

    /** @return array<string, mixed> the nearest joint first */
    public function __invoke(Line $line, float $at): array
    {
        $joints = $this->around($line, $at);
        $made = self::made($joints);
        $pipes = Pipe::query()
            ->with('cameWith')
            ->whereIn('id', [...$joints->pluck('pipe_a_id'), ...$joints->pluck('pipe_b_id')])
            ->get()
            ->keyBy('id');
        $zone = $line->project->time_zone;

        return [
            'at_m' => round($at, 3),
            'place' => array_map(fn (float $m) => round($m, 3), (new CentreLine($line->centre_line))->at($at)),
            'joints' => $joints->map(fn (Joint $j) => $this->joint($j, $at, $pipes, $made[$j->id] ?? null, $zone))->values()->all(),
            'sections' => $line->sections()
                ->with('tests')
                ->where('from_m', '<=', $at)
                ->where('to_m', '>=', $at)
                ->get()
                ->map(fn (Section $s) => $s->only(['id', 'name', 'from_m', 'to_m']) + [
                    'tests' => $s->tests->map(fn (PressureTest $t) => $t->only(['id', 'number', 'state', 'verdict', 'asked_kpa']) + [
                        'sealed_at' => $t->sealed_at?->toIso8601ZuluString(),
                    ])->all(),
                ])
                ->all(),
            'records' => $this->records($line, $at, $made, $zone),
        ];
    }

    /** @return Collection<int, Joint> also those that were cut out: a leak may be of that time */
    private function around(Line $line, float $at): Collection
    {
        $of = fn (): Builder => Joint::query()->where('line_id', $line->id)->with('procedureText');
        $before = $of()->where('chainage_m', '<=', $at)->orderByDesc('chainage_m')->orderBy('number')->limit(self::EACH_SIDE)->get();
        $after = $of()->where('chainage_m', '>', $at)->orderBy('chainage_m')->orderBy('number')->limit(self::EACH_SIDE)->get();

        return $before->concat($after)->sortBy(fn (Joint $j) => abs($j->chainage_m - $at))->values();
    }

    /**
     * @param  Collection<int, Joint>  $joints
     * @return array<string, array{by: list<string>, first: string, last: string}> by joint, signatures among it
     */
    private static function made(Collection $joints): array
    {
        $facts = Fact::query()
            ->with('user')
            ->where('subject_type', 'joint')
            ->whereIn('subject_id', $joints->pluck('id'))
            ->orderBy('seq')
            ->get(['subject_id', 'user_id', 'recorded_at', 'seq']);

        $made = [];
        foreach ($facts as $fact) {
            $made[$fact->subject_id] ??= ['by' => [], 'first' => $fact->recorded_at, 'last' => $fact->recorded_at];
            $made[$fact->subject_id]['last'] = $fact->recorded_at;
            if (! \in_array($fact->user->name, $made[$fact->subject_id]['by'], true)) {
                $made[$fact->subject_id]['by'][] = $fact->user->name;
            }
        }

        return $made;
    }

    /**
     * @param  Collection<string, Pipe>  $pipes
     * @param  array{by: list<string>, first: string, last: string}|null  $made
     * @return array<string, mixed>
     */
    private function joint(Joint $joint, float $at, Collection $pipes, ?array $made, string $zone): array
    {
        $told = [];
        foreach ($joint->procedure()->tells->register as $column) {
            $value = $joint->register[$column->name] ?? null;
            if (\is_string($value) && $value !== '' && ! str_ends_with($column->name, '_utc')) {
                $told[] = ['label' => $column->label, 'text' => $value];
            }
        }

        return $joint->only(['id', 'number', 'chainage_m', 'state', 'verdict', 'covered_at', 'signed_by']) + [
            'name' => $joint->name(),
            'distance_m' => round($joint->chainage_m - $at, 3),
            'procedure' => $joint->text()->title,
            'made_by' => $made['by'] ?? [],
            'made_on' => $made === null ? null : self::day($made['first'], $zone),
            'told' => $told,
            'pipes' => array_map(
                fn (?string $id) => $id === null || ! $pipes->has($id) ? null : $this->pipe($pipes[$id]),
                ['a' => $joint->pipe_a_id, 'b' => $joint->pipe_b_id],
            ),
        ];
    }

    /** @return array<string, mixed> */
    private function pipe(Pipe $pipe): array
    {
        return $pipe->only(['number', 'serial', 'length_m', 'source', 'state', 'reason']) + [
            'came_with' => $pipe->cameWith?->only(['id', 'name']),
        ];
    }

    /**
     * Records of the stretch, and of the days on which the joints there were made.
     *
     * @param  array<string, array{by: list<string>, first: string, last: string}>  $made
     * @return list<array<string, mixed>>
     */
    private function records(Line $line, float $at, array $made, string $zone): array
    {
        $days = array_unique(array_map(fn (array $m) => self::day($m['first'], $zone), $made));
        $all = Stretch::query()
            ->with('procedureText')
            ->where('line_id', $line->id)
            ->where('from_m', '<=', $at)
            ->whereRaw('COALESCE(to_m, from_m) >= ?', [$at])
            ->orderBy('created_at')
            ->get();

        return array_values(
            $all
                ->filter(
                    fn (Stretch $s) => $s->procedure()->place !== 'line'
                        || ($s->procedure()->daily && \in_array($s->name, $days, true)),
                )
                ->map(fn (Stretch $s) => $s->only(['id', 'name', 'state', 'verdict']) + ['of' => $s->procedureText->title])
                ->all(),
        );
    }

    /** "28 November 2026", as the record of that day is called. */
    private static function day(string $iso, string $zone): string
    {
        return Carbon::parse($iso)->setTimezone($zone)->format('j F Y');
    }
}
