<?php

namespace App\Actions;

use App\Models\Contested;
use App\Models\Joint;
use App\Models\Line;
use App\Models\PressureTest;
use App\Models\Project;
use App\Models\Role;
use App\Models\Stretch;
use App\Models\Subject;
use App\Models\User;
use App\Support\Say;
use Closure;
use Diastoma\Core\Procedure\Step;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection as EloquentCollection;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Support\Collection;

/** What waits for a person, across lines: what is bad, what is to be signed in this role, which clocks run, what was begun. */
final class ListWaiting
{
    /** So many at most are looked through of what is bad, of what was made, of what was begun: none crowds out another. */
    private const MOST = 2000;

    /** Who goes on with what was begun. */
    private const AT_WORK = [Role::Joiner, Role::Foreman];

    public function __construct(private readonly int $most = self::MOST)
    {
    }

    /**
     * @return list<array{
     *     what: string, kind: string, id: string, name: string, line_id: string, line: string, step: string, text: string,
     *     at: string|null, time_zone: string, practice: bool
     * }> what is bad first, each by line along the chainage
     */
    public function __invoke(User $person): array
    {
        $roles = $person->projects->mapWithKeys(fn (Project $p) => [$p->id => Role::from($p->pivot->role)]);
        $ofMine = fn (Builder $lines): Builder => $lines->whereIn('project_id', $roles->keys())->whereNull('archived_at');
        $joints = $this->atWork(Joint::class, 'chainage_m', $ofMine)->load(['ofLine.project', 'ofLine.procedureText', 'procedureText']);
        $tests = PressureTest::query()
            ->whereNull('sealed_at')
            ->whereHas('section.line', $ofMine)
            ->with(['section.line.project', 'section.method'])
            ->limit($this->most)
            ->get();
        $stretches = $this->atWork(Stretch::class, 'from_m', $ofMine)->load(['ofLine.project', 'procedureText']);
        $found = $this->toDecide($roles->filter(fn (Role $role) => $role->mayDecide()));
        foreach ([...$joints, ...$tests, ...$stretches] as $subject) {
            $what = $this->what($subject, $roles[$subject->line()->project_id]);
            if ($what !== null) {
                $found[] = $this->row($subject, $what);
            }
        }

        return $found;
    }

    /**
     * Readings that contradict each other, of the projects where this person says which counts.
     *
     * @param  Collection<int, Role>  $roles
     * @return list<array{
     *     what: string, kind: string, id: string, name: string, line_id: string, line: string, step: string, text: string,
     *     at: string|null, time_zone: string, practice: bool
     * }>
     */
    private function toDecide(Collection $roles): array
    {
        $found = [];
        $open = $roles->isEmpty() ? [] : Contested::query()->whereNull('counts')->with('user')->orderBy('seq')->limit($this->most)->get();
        foreach ($open as $contested) {
            $class = Relation::getMorphedModel($contested->subject_type);
            $subject = $class === null ? null : $class::query()->find($contested->subject_id);
            if ($subject instanceof Subject && $roles->has($subject->line()->project_id)) {
                $title = $subject->procedure()->step($contested->step)?->title($subject->context()) ?? $contested->step;
                $text = Say::text('called.waitsForDecision', ['name' => $contested->user->name, 'step' => $title]);
                $found[$subject->getKey()] = ['text' => $text] + $this->row($subject, 'decide');
            }
        }

        return array_values($found);
    }

    /**
     * @template T of Joint|Stretch
     *
     * @param  class-string<T>  $of
     * @param  string  $along  its column with the place on the line
     * @param  Closure(Builder<Line>): Builder<Line>  $ofMine
     * @return EloquentCollection<int, T> what is bad, what was made, what was begun, each along its line
     */
    private function atWork(string $of, string $along, Closure $ofMine): EloquentCollection
    {
        $subjects = $of::query()
            ->whereIn('line_id', $ofMine(Line::query()->select('id')))
            ->orderBy('line_id')
            ->orderBy($along)
            ->limit($this->most);
        $isSound = fn (string $state): Builder => (clone $subjects)->where('verdict', '!=', 'bad')->where('state', $state);

        return (clone $subjects)
            ->where('verdict', 'bad')
            ->whereIn('state', ['begun', 'made'])
            ->get()
            ->concat($isSound('made')->get())
            ->concat($isSound('begun')->get());
    }

    private function what(Subject $subject, Role $role): ?string
    {
        $next = $this->next($subject);
        $isAtWork = \in_array($role, self::AT_WORK, true) || $subject instanceof PressureTest && $role === Role::Engineer;

        return match (true) {
            $subject->verdict === 'bad' => 'bad',
            $next === null => null,
            $next->isA('hold') => $next->roles === [] || \in_array($role->value, $next->roles, true) ? 'sign' : null,
            $next->isA('timer') => 'clock',
            default => $isAtWork ? 'go-on' : null,
        };
    }

    private function next(Subject $subject): ?Step
    {
        return $subject->next_step === null ? null : $subject->procedure()->step($subject->next_step);
    }

    /**
     * @return array{
     *     what: string, kind: string, id: string, name: string, line_id: string, line: string, step: string, text: string,
     *     at: string|null, time_zone: string, practice: bool
     * }
     */
    private function row(Subject $subject, string $what): array
    {
        $line = $subject->line();
        $next = $this->next($subject);

        return [
            'what' => $what,
            'kind' => $subject->getMorphClass(),
            'id' => (string) $subject->getKey(),
            'name' => $subject->name(),
            'line_id' => $line->id,
            'line' => $line->name,
            'step' => trim($next?->inWords() ?? '', '"'),
            'text' => $what === 'bad' ? $this->worst($subject) : '',
            'at' => $what === 'clock' && $next !== null ? $this->endOf($subject, $next) : null,
            'time_zone' => $line->project->time_zone,
            'practice' => $line->project->practice,
        ];
    }

    private function worst(Subject $subject): string
    {
        $text = $subject->headline[0]['text'] ?? '';

        return \is_string($text) ? $text : '';
    }

    /** When the waiting is over that ends with this step. */
    private function endOf(Subject $subject, Step $step): ?string
    {
        foreach ($subject->procedure()->tells->clocks as $clock) {
            if ($clock->until === $step->key) {
                return $subject->clocks[$clock->name] ?? null;
            }
        }

        return null;
    }
}
