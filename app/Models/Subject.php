<?php

namespace App\Models;

use Diastoma\Core\Procedure\Fact as CoreFact;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Procedure;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\MorphMany;

/**
 * What facts are recorded about and a procedure judges: a joint or a pressure test.
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

    abstract public function line(): Line;

    abstract public function procedure(): Procedure;

    /** What the core must know of the place. @return array<string, mixed> */
    abstract public function context(): array;

    /** Why nothing more may be recorded here, or null. */
    abstract public function closed(): ?string;

    /** What outside its own facts keeps it from being signed. @return list<string> */
    public function holdsUpSignature(): array
    {
        return [];
    }

    public function judgement(?\DateTimeImmutable $now = null): Judgement
    {
        $facts = $this->facts()->with('user')->get()->map(fn (Fact $f) => new CoreFact(
            $f->id, $f->step, $f->value, new \DateTimeImmutable($f->recorded_at), $f->user->name, $f->role, $f->supersedes,
        ))->all();

        return Judge::judge($this->procedure(), array_values($facts), $this->context(), $now ?? new \DateTimeImmutable);
    }
}
