<?php

namespace App\Models;

use App\Actions\PlanSection;
use App\Support\Say;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Procedure\Tells\Clock;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One run of a test on a section. `context` freezes what the plan said when it began.
 *
 * @property string $section_id
 * @property int $number
 * @property array<string, mixed> $context
 * @property float|null $asked_kpa what its section asks for since then, where that is more than it was pumped for
 * @property-read Section $section
 */
class PressureTest extends Subject
{
    protected $table = 'pressure_tests';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return parent::casts() + ['context' => 'array', 'asked_kpa' => 'float'];
    }

    /** @return BelongsTo<Section, $this> */
    public function section(): BelongsTo
    {
        return $this->belongsTo(Section::class);
    }

    /**
     * Those that are signed, and for the pressure that is asked for today.
     *
     * @template T of Builder
     *
     * @param  T  $tests
     * @return T
     */
    public static function proving(Builder $tests): Builder
    {
        return $tests->where('state', 'accepted')->whereNull('asked_kpa');
    }

    public function line(): Line
    {
        return $this->section->line;
    }

    public function procedure(): Procedure
    {
        return $this->section->method->procedure();
    }

    public function name(): string
    {
        return Say::text('called.test', ['section' => $this->section->name, 'number' => $this->number]);
    }

    public function context(): array
    {
        $known = [
            'practice' => $this->line()->project->practice,
            'begun_on' => $this->line()->begun_on,
            'test_from' => $this->coldFrom(),
        ] + $this->context;
        // Where the method has a pressure of its own, another one beside it would be read as the one to pump.
        if (! $this->procedure()->asks(PlanSection::AT_GAUGE)) {
            unset($known[PlanSection::AT_GAUGE]);
        }

        return $known;
    }

    /**
     * When the last of its joints was cold enough for pressure, and the last concrete that holds its thrust had its strength; null
     * where nothing has such a time. Once its log has begun, the joints that were begun before count, those that were cut out since
     * among them: what is repaired after a test changes nothing of it.
     */
    private function coldFrom(): ?string
    {
        $log = $this->loggedFrom();
        $joints = Joint::query()
            ->where('line_id', $this->section->line_id)
            ->whereBetween('chainage_m', [$this->section->from_m - 1e-6, $this->section->to_m + 1e-6])
            ->get();
        if ($log === null) {
            $joints = $joints->where('state', '!=', 'cut-out');
        } else {
            $begun = Fact::query()->where('subject_type', 'joint')->whereIn('subject_id', $joints->modelKeys())
                ->groupBy('subject_id')->selectRaw('subject_id, MIN(recorded_at) AS begun_at')->pluck('begun_at', 'subject_id');
            $joints = $joints->filter(fn (Joint $j) => isset($begun[$j->id]) && new \DateTimeImmutable($begun[$j->id]) < $log);
        }

        return $joints
            ->map(fn (Joint $j) => $j->clocks[Clock::TEST] ?? null)
            ->concat($this->strongFrom($log))
            ->filter()
            ->sortBy(fn (string $at) => new \DateTimeImmutable($at))
            ->last();
    }

    /**
     * From when concrete holds that was looked at before its log began.
     *
     * @return list<string>
     */
    private function strongFrom(?\DateTimeImmutable $log): array
    {
        $held = Stretch::query()
            ->where('line_id', $this->section->line_id)
            ->whereNotNull('clocks')
            ->where('from_m', '<=', $this->section->to_m)
            ->whereRaw('COALESCE(to_m, from_m) >= ?', [$this->section->from_m])
            ->get()
            ->filter(fn (Stretch $of): bool => isset($of->clocks[Clock::TEST]));
        $isBefore = fn (Stretch $of): bool => $log === null
            || ($first = $of->recorded()->first()) !== null && new \DateTimeImmutable($first->recorded_at) < $log;

        return array_values(array_filter(
            $held->filter($isBefore)->map(fn (Stretch $of): ?string => $of->clocks[Clock::TEST] ?? null)->all(),
        ));
    }

    /** When the first part of its log was recorded. */
    private function loggedFrom(): ?\DateTimeImmutable
    {
        $traces = array_map(fn (Step $s) => $s->key, array_filter($this->procedure()->steps, fn (Step $s) => $s->isA('trace')));
        $first = $this->recorded()->first(fn (Fact $f) => \in_array($f->step, $traces, true));

        return $first === null ? null : new \DateTimeImmutable($first->recorded_at);
    }

    public function holdsUpSignature(): array
    {
        return [...parent::holdsUpSignature(), ...app(PlanSection::class)->plan($this->section)['missing']];
    }

    public function closed(): ?string
    {
        return $this->sealed_at === null ? null : Say::text('refused.testSealed', ['number' => $this->number]);
    }
}
