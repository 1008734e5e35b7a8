<?php

namespace App\Models;

use App\Support\Say;
use Diastoma\Core\Procedure\Fact as CoreFact;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Seal\Statement;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\MorphMany;

/**
 * What facts are recorded about and a procedure judges: a joint, a pressure test or a stretch of the line.
 *
 * @property string $id
 * @property string $state planned, begun, made, accepted, cut-out
 * @property string $verdict
 * @property int $done
 * @property int $total
 * @property string|null $next_step
 * @property list<array<string, mixed>>|null $headline
 * @property array<string, string>|null $clocks
 * @property \Illuminate\Support\Carbon|null $sealed_at
 * @property-read Collection<int, Fact> $facts
 */
abstract class Subject extends Model
{
    use HasUuids;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['headline' => 'array', 'clocks' => 'array', 'sealed_at' => 'datetime', 'chainage_m' => 'float'];
    }

    /** @return MorphMany<Fact, $this> */
    public function facts(): MorphMany
    {
        return $this->morphMany(Fact::class, 'subject')->orderBy('seq');
    }

    /** @return MorphMany<Photo, $this> */
    public function photos(): MorphMany
    {
        return $this->morphMany(Photo::class, 'subject')->orderBy('created_at');
    }

    /**
     * All that was recorded, each fact with the name of its person; read once.
     *
     * @return Collection<int, Fact>
     */
    public function recorded(): Collection
    {
        if (! $this->relationLoaded('facts')) {
            $this->setRelation(
                'facts',
                // Joined, the names would be sorted together with the facts in a table of their own on the disk.
                $this->facts()
                    ->select('facts.*')
                    ->addSelect(['by' => User::query()->select('name')->whereColumn('users.id', 'facts.user_id')])
                    ->get(),
            );
        }

        return $this->facts;
    }

    /**
     * What no later fact replaces.
     *
     * @param  string|null  $step  key; null: of all steps
     * @return Collection<int, Fact>
     */
    public function standing(?string $step = null): Collection
    {
        $replaced = $this->recorded()->pluck('supersedes')->filter()->all();

        return $this->recorded()->filter(
            fn (Fact $f) => ($step === null || $f->step === $step) && ! \in_array($f->id, $replaced, true),
        );
    }

    /** Takes along what another copy of it has read of its line and procedure; what was recorded, and its pipes, are read anew. */
    public function knowing(self $other): static
    {
        return $this->setRelations(array_diff_key($other->getRelations(), ['facts' => true]));
    }

    abstract public function line(): Line;

    abstract public function procedure(): Procedure;

    /** How people call it: "Joint 41", "Section 2, test 1". */
    abstract public function name(): string;

    /** What the core must know of the place. @return array<string, mixed> */
    abstract public function context(): array;

    /**
     * What is known of its line: of what was sealed before the line was corrected, as it stood then.
     *
     * @param  array<string, mixed>  $now
     * @return array<string, mixed>
     */
    protected function asSealed(array $now): array
    {
        $corrected = $this->line()->corrected_at;
        if ($this->sealed_at === null || $corrected === null || $corrected < $this->sealed_at) {
            return $now;
        }
        $seal = Seal::query()->where('subject_type', $this->getMorphClass())->where('subject_id', $this->getKey())->first();

        return array_intersect_key((array) (Statement::read((string) $seal?->statement)->says['judged_with'] ?? []), $now) + $now;
    }

    /** Why nothing more may be recorded here, or null. */
    abstract public function closed(): ?string;

    /** What outside its own facts keeps it from being signed. @return list<string> */
    public function holdsUpSignature(): array
    {
        return Contested::of($this)->whereNull('counts')->with('user')->get()
            ->map(fn (Contested $c) => Say::text('called.waitsForDecision', [
                'name' => $c->user->name,
                'step' => $this->procedure()->step($c->step)?->title($this->context()) ?? $c->step,
            ]))
            ->all();
    }

    /** @param  Procedure|null  $by  another text than its own, to see what that says of it */
    public function judgement(?\DateTimeImmutable $now = null, ?Procedure $by = null): Judgement
    {
        $facts = $this->recorded()->map(fn (Fact $f) => new CoreFact(
            $f->id, $f->step, $f->value, new \DateTimeImmutable($f->recorded_at), $f->by, $f->role, $f->supersedes,
            new \DateTimeImmutable($f->received_at, new \DateTimeZone('UTC')),
        ))->all();

        return Judge::judge($by ?? $this->procedure(), array_values($facts), $this->context(), $now ?? new \DateTimeImmutable);
    }
}
