<?php

namespace App\Models;

use App\Support\Say;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Tells\Clock;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $line_id
 * @property string|null $procedure_hash null: that of the line
 * @property string $place in-line, on-pipe or restraint
 * @property string|null $host_id the joint whose pipe end this restraint is fused on
 * @property string|null $side a or b, of the host
 * @property string $number
 * @property float $chainage_m
 * @property string|null $replaces_id
 * @property \Illuminate\Support\Carbon|null $cut_out_at
 * @property string|null $cut_out_reason
 * @property bool $pulled_apart of one that is cut out: no pipe was cut, the same are joined again
 * @property array{a: string, b: string}|null $pipes numbers of the two pipes, planned or recorded
 * @property string|null $pipe_a_id
 * @property string|null $pipe_b_id
 * @property array<string, float|null>|null $planned what the laying plan asks of it: angle, hour, level
 * @property bool $left_face the crew has moved on from it
 * @property array<string, mixed>|null $register what its procedure puts into the register, by column
 * @property string|null $covered_at since when nobody sees it any more, ISO 8601
 * @property string|null $covering_id the stretch in whose record that stands
 * @property string|null $bare_at since when it lies bare again, ISO 8601
 * @property string|null $opening_id the stretch in whose record that stands
 * @property string|null $signed_by name of who set the seal over it
 * @property-read Line $ofLine
 * @property-read ProcedureText|null $procedureText
 */
class Joint extends Subject
{
    protected $table = 'joints';

    /** @var Collection<int, Pipe>|null {@see around()} */
    private ?Collection $around = null;

    public function refresh(): static
    {
        $this->around = null;

        return parent::refresh();
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return parent::casts() + [
            'pipes' => 'array', 'planned' => 'array', 'register' => 'array',
            'left_face' => 'boolean', 'pulled_apart' => 'boolean', 'cut_out_at' => 'datetime',
        ];
    }

    /** @return BelongsTo<Line, $this> */
    public function ofLine(): BelongsTo
    {
        return $this->belongsTo(Line::class, 'line_id');
    }

    public function knowing(Subject $other): static
    {
        parent::knowing($other);

        // Another procedure was chosen for it meanwhile.
        return $other->getAttribute('procedure_hash') === $this->procedure_hash ? $this : $this->unsetRelation('procedureText');
    }

    public function line(): Line
    {
        return $this->ofLine;
    }

    /** @return BelongsTo<ProcedureText, $this> */
    public function procedureText(): BelongsTo
    {
        return $this->belongsTo(ProcedureText::class, 'procedure_hash', 'hash');
    }

    public function text(): ProcedureText
    {
        return $this->procedureText ?? $this->ofLine->procedureText;
    }

    public function procedure(): Procedure
    {
        return $this->text()->procedure();
    }

    public function name(): string
    {
        return Say::text("called.{$this->place}", ['number' => $this->number]);
    }

    /** @return array<'a'|'b', string> how a sentence names its two sides */
    public function sides(): array
    {
        $pipes = $this->pipes ?? ['a' => 'laid', 'b' => 'new'];

        return ['a' => $this->sideOf('a', $pipes['a']), 'b' => $this->sideOf('b', $pipes['b'])];
    }

    private function sideOf(string $side, string $number): string
    {
        return $this->pipeOf($side)?->bend === null ? "pipe {$number}" : "bend {$number}";
    }

    public function context(): array
    {
        $line = $this->ofLine;
        $ends = array_map(fn (Pipe $pipe) => $pipe->known(), array_filter(['a' => $this->pipeOf('a'), 'b' => $this->pipeOf('b')]));

        return self::common($ends, $line->pipe) + [
            'ends' => $ends,
            'rejected' => $this->around()
                ->where('state', Pipe::REJECTED)
                ->map(fn (Pipe $p) => ['number' => $p->number, 'reason' => $p->reason ?? ''])
                ->values()
                ->all(),
            'service' => $line->service,
            'time_zone' => $line->project->time_zone,
            'practice' => $line->project->practice,
            'begun_on' => $line->begun_on,
            ...$this->asSealed(['mdp_bar' => $line->mdp_bar]),
            'sides' => $this->sides(),
            'pipes' => array_filter($this->pipes ?? []),
            'closing_piece' => $this->closes(),
            'attached' => $this->procedure()->tells->attached === null ? [] : $this->attached(),
        ];
    }

    /** The first of the two joints that replace one brings the closing piece. */
    public function closes(): bool
    {
        return $this->replaces_id !== null && str_ends_with($this->number, 'A');
    }

    /**
     * What both pipes have alike; where they differ nothing is known of the joint as a whole.
     *
     * @param  array<string, array<string, mixed>>  $ends
     * @param  array<string, mixed>  $planned
     * @return array<string, mixed>
     */
    private static function common(array $ends, array $planned): array
    {
        $first = reset($ends);
        if ($first === false) {
            return $planned;
        }
        foreach ($ends as $end) {
            $first = array_filter($first, fn (mixed $value, string $key) => ($end[$key] ?? null) == $value, ARRAY_FILTER_USE_BOTH);
        }

        return array_diff_key($first, ['number' => true]);
    }

    /**
     * Its two pipes, and those of the line that were rejected; read once.
     *
     * @return Collection<int, Pipe>
     */
    private function around(): Collection
    {
        $own = array_filter([$this->pipe_a_id, $this->pipe_b_id]);

        return $this->around ??= Pipe::query()
            ->where('line_id', $this->line_id)
            ->where(fn ($q) => $q->whereIn('id', $own)->orWhere('state', Pipe::REJECTED))
            ->get();
    }

    /**
     * Reads the pipes of several joints of one line at once, as each would read its own.
     *
     * @param  iterable<self>  $joints
     */
    public static function readPipes(Line $line, iterable $joints): void
    {
        $joints = collect($joints);
        $ids = $joints->flatMap(fn (self $joint) => [$joint->pipe_a_id, $joint->pipe_b_id])->filter()->unique()->values();
        if ($ids->isEmpty()) {
            return;
        }
        $pipes = Pipe::query()
            ->where('line_id', $line->id)
            ->where(fn ($q) => $q->whereIn('id', $ids)->orWhere('state', Pipe::REJECTED))
            ->get()
            ->keyBy('id');
        $rejected = $pipes->where('state', Pipe::REJECTED);
        foreach ($joints as $joint) {
            $joint->around = $rejected->union($pipes->only(array_filter([$joint->pipe_a_id, $joint->pipe_b_id])))->values();
        }
    }

    public function pipeOf(string $side): ?Pipe
    {
        $id = $side === 'a' ? $this->pipe_a_id : $this->pipe_b_id;

        return $id === null ? null : $this->around()->firstWhere('id', $id);
    }

    /** These pipes meet here. @param  array<'a'|'b', Pipe|null>  $pipes */
    public function meets(array $pipes): void
    {
        $this->fill([
            'pipe_a_id' => ($pipes['a'] ?? null)?->id,
            'pipe_b_id' => ($pipes['b'] ?? null)?->id,
            'pipes' => array_map(fn (?Pipe $p) => $p->number ?? '', $pipes + ['a' => null, 'b' => null]),
        ]);
        $this->around = null;
    }

    /** @return list<array{number: string, end: string, verdict: string, free_from: string|null}> */
    private function attached(): array
    {
        return array_values(
            self::query()
                ->where('host_id', $this->id)
                ->where('state', '!=', 'cut-out')
                ->orderBy('number')
                ->get()
                ->map(
                    fn (self $r) => [
                        'number' => $r->number,
                        'end' => (string) $r->side,
                        'verdict' => $r->soundness(),
                        'free_from' => $r->clocks[Clock::PULL] ?? null,
                    ],
                )
                ->all(),
        );
    }

    /** How it was made, whether or not it is signed yet: a signature that is still to come opens nothing here. */
    public function soundness(): string
    {
        return $this->state === 'made' && $this->verdict === 'open' ? ($this->headline[0]['verdict'] ?? 'good') : $this->verdict;
    }

    public function closed(): ?string
    {
        return match (true) {
            $this->pulled_apart => Say::text('refused.jointIsPulledApart', ['number' => $this->number]),
            $this->cut_out_at !== null => Say::text('refused.jointIsCutOut', ['number' => $this->number]),
            $this->sealed_at !== null => Say::text('refused.jointSealed', ['number' => $this->number]),
            default => null,
        };
    }
}
