<?php

namespace App\Actions;

use App\Laying\FindFace;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use App\Models\Role;
use App\Models\User;
use App\Support\Say;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Renames a line, corrects its pressures, pipe and procedure, extends it beyond its end, plans the rest of it with other pipes,
 * puts it away or takes it out again: recorded with who, why and what stood before, as a seal in its chain. Nothing that was
 * judged before is altered by it.
 *
 * @phpstan-import-type Change from ChangesOfLine
 *
 * @phpstan-type Asked array{
 *     reason: string, name?: string|null, archived?: bool|null, points?: list<mixed>|null, pipe_length_m?: float|null,
 *     design_bar?: float|null, mdp_bar?: float|null, pipe?: array<string, mixed>|null, procedure_hash?: string|null
 * }
 */
final readonly class ChangeLine
{
    public function __construct(
        private SealSubject $seal,
        private PlanPipes $pipes,
        private ReplanPipes $replan,
        private FindFace $face,
        private CorrectLine $correct,
    ) {
    }

    /** @param  Asked  $asked */
    public function __invoke(Line $line, User $by, Role $role, array $asked): Line
    {
        return DB::transaction(function () use ($line, $by, $role, $asked): Line {
            $locked = Line::query()->lockForUpdate()->findOrFail($line->id);
            $changes = [
                ...$this->renamed($locked, $asked),
                ...($this->correct)($locked, $asked),
                ...$this->extended($locked, $asked),
                ...$this->replanned($locked, $asked),
                ...$this->putAway($locked, $asked),
            ];
            if ($changes === []) {
                throw Refused::field('name', Say::text('refused.nothingChanges'));
            }
            $locked->save();
            $this->seal->set($locked, ChangesOfLine::TYPE, (string) Str::uuid(), $locked->procedure_hash, [
                'verdict' => Verdict::Open->value, 'user' => $by->id, 'role' => $role->value, 'alone' => false,
                'judged_with' => ['reason' => trim($asked['reason']), 'changes' => $changes],
            ]);

            return $locked->refresh();
        }, KeepPipe::TRIES);
    }

    /**
     * @param  Asked  $asked
     * @return list<Change>
     */
    private function renamed(Line $line, array $asked): array
    {
        $name = trim($asked['name'] ?? '');
        if ($name === '' || $name === $line->name) {
            return [];
        }
        $change = ['key' => 'name', 'before' => $line->name, 'after' => $name];
        $line->name = $name;

        return [$change];
    }

    /**
     * @param  Asked  $asked
     * @return list<Change>
     */
    private function putAway(Line $line, array $asked): array
    {
        $is = $line->archived_at !== null;
        $wanted = $asked['archived'] ?? $is;
        if ($wanted === $is) {
            return [];
        }
        $line->archived_at = $wanted ? Carbon::now() : null;

        return [['key' => 'archived', 'before' => $is, 'after' => $wanted]];
    }

    /**
     * @param  Asked  $asked
     * @return list<Change>
     */
    private function extended(Line $line, array $asked): array
    {
        $more = $asked['points'] ?? [];
        if ($more === []) {
            return [];
        }
        $before = $line->centre_line;
        $end = $before[\count($before) - 1][0];
        $line->centre_line = CreateLine::centreLine([...$before, ...$more]);
        $this->plan($line, $end);

        return [
            ['key' => 'centre_line', 'before' => ChangesOfLine::hashOf($before), 'after' => ChangesOfLine::hashOf($line->centre_line)],
            ['key' => 'length_m', 'before' => round($end - $before[0][0], 3), 'after' => round($line->length(), 3)],
        ];
    }

    /**
     * @param  Asked  $asked
     * @return list<Change>
     */
    private function replanned(Line $line, array $asked): array
    {
        $before = $line->pipe_length_m;
        $after = $asked['pipe_length_m'] ?? $before;
        if ($after === $before) {
            return [];
        }
        $line->pipe_length_m = $after;
        ($this->replan)($line, ($this->face)($line, hold: true));

        return [['key' => 'pipe_length_m', 'before' => $before, 'after' => $after]];
    }

    /** Pipes and joints beyond the end that was: the first joint lies there. */
    private function plan(Line $line, float $end): void
    {
        $pipes = Pipe::query()->where('line_id', $line->id)->get()->sortBy(fn (Pipe $p) => (int) $p->plain);
        $joints = Joint::query()->where('line_id', $line->id)->pluck('number');
        $highest = fn (iterable $numbers): int => max([0, ...array_map(intval(...), array_filter([...$numbers], ctype_digit(...)))]);
        $taken = $highest($pipes->pluck('plain'));
        $before = $this->lastPipe($line) ?? $pipes->last();
        ($this->pipes)($line, PlanPipes::evenly($line, $end), $before, $taken, $highest($joints));
    }

    /** The pipe that ends the line: beyond its last joint. */
    private function lastPipe(Line $line): ?Pipe
    {
        $last = Joint::query()
            ->where('line_id', $line->id)
            ->where('place', 'in-line')
            ->where('state', '!=', 'cut-out')
            ->orderByDesc('chainage_m')
            ->orderByDesc('number')
            ->first();

        return $last?->pipeOf('b');
    }
}
