<?php

namespace App\Actions;

use App\Http\Resources\LinePage;
use App\Models\Joint;
use App\Models\Line;
use App\Models\PressureTest;
use App\Models\Project;
use App\Models\Section;
use Illuminate\Database\Eloquent\Collection;

/**
 * The lines of some projects with how far each is: counts, and the string in equal parts. What it costs grows with the lines
 * and not with their joints.
 */
final class ListLines
{
    /** Parts into which a line is cut for its picture. */
    public const PARTS = 60;

    /** What is counted of the joints that stand. */
    private const COUNTS = [
        'total' => 'COUNT(*)',
        'begun' => "SUM(state <> 'planned')",
        'made' => "SUM(state IN ('made', 'accepted'))",
        'accepted' => "SUM(state = 'accepted')",
        'bad' => "SUM(verdict = 'bad')",
    ];

    /**
     * @param  Collection<int, Project>  $projects
     * @return list<array<string, mixed>> as the schema LineShort
     */
    public function __invoke(Collection $projects): array
    {
        $lines = Line::query()->whereIn('project_id', $projects->modelKeys())->orderBy('name')->get();
        $lines->each(fn (Line $line) => $line->setRelation('project', $projects->find($line->project_id)));
        $parts = $this->parts($lines);
        $sections = $this->sections($lines);

        return array_values($lines->map(fn (Line $line) => LinePage::head($line) + [
            'joints' => self::together($parts[$line->id] ?? []),
            'parts' => array_values(array_map(
                fn (array $counts, int $at) => ['at' => $at] + $counts,
                $parts[$line->id] ?? [],
                array_keys($parts[$line->id] ?? []),
            )),
            'sections' => $sections[$line->id] ?? ['total' => 0, 'good' => 0],
        ])->all());
    }

    /**
     * @param  Collection<int, Line>  $lines
     * @return array<string, array<int, array<string, int>>> id of the line => number of the part, from 0 => what is counted
     */
    private function parts(Collection $lines): array
    {
        $part = 'LEAST(?, GREATEST(0, FLOOR((chainage_m - CASE line_id '.str_repeat('WHEN ? THEN ? ', $lines->count()).'END)'
            .' * ? / CASE line_id '.str_repeat('WHEN ? THEN ? ', $lines->count()).'END)))';
        $starts = $lines->flatMap(fn (Line $line) => [$line->id, $line->centre_line[0][0]])->all();
        $lengths = $lines->flatMap(fn (Line $line) => [$line->id, $line->length()])->all();
        if ($starts === []) {
            return [];
        }
        $counts = implode(', ', array_map(fn (string $sql, string $name) => "{$sql} AS `{$name}`", self::COUNTS, array_keys(self::COUNTS)));
        $rows = Joint::query()
            ->whereIn('line_id', $lines->modelKeys())
            ->where('state', '!=', 'cut-out')
            ->selectRaw("line_id, {$part} AS part, {$counts}", [self::PARTS - 1, ...$starts, self::PARTS, ...$lengths])
            ->groupBy('line_id', 'part')
            ->orderBy('part')
            ->toBase()
            ->get();
        $parts = [];
        foreach ($rows as $row) {
            $parts[$row->line_id][(int) $row->part] = array_map(fn (string $name) => (int) $row->{$name}, self::names());
        }

        return $parts;
    }

    /**
     * @param  Collection<int, Line>  $lines
     * @return array<string, array{total: int, good: int}> id of the line => its sections, and how many are tested good
     */
    private function sections(Collection $lines): array
    {
        $rows = Section::query()
            ->whereIn('line_id', $lines->modelKeys())
            ->withExists(['tests as good' => PressureTest::proving(...)])
            ->get(['id', 'line_id']);

        return $rows
            ->groupBy('line_id')
            ->map(fn (Collection $of) => ['total' => $of->count(), 'good' => $of->where('good', true)->count()])
            ->all();
    }

    /**
     * @param  array<int, array<string, int>>  $parts
     * @return array<string, int>
     */
    private static function together(array $parts): array
    {
        return array_map(fn (string $name) => array_sum(array_column($parts, $name)), self::names());
    }

    /** @return array<string, string> */
    private static function names(): array
    {
        return array_combine(array_keys(self::COUNTS), array_keys(self::COUNTS));
    }
}
