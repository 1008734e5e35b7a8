<?php

namespace App\Models;

use Diastoma\Core\Units\UnitSystem;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/**
 * A file that somebody asked for and that takes longer to make than anybody waits: the record book of a line, its archive, the
 * pack of a test over a long section. The file lies in the storage folder under its id.
 *
 * @property string $id
 * @property string $line_id
 * @property string|null $test_id
 * @property PackKind $kind
 * @property UnitSystem $units
 * @property PackState $state
 * @property int $user_id
 * @property \Illuminate\Support\Carbon $asked_at
 * @property \Illuminate\Support\Carbon|null $beat_at when it was last worked on
 * @property int $attempts
 * @property string|null $maker who has it made, by folder and machine
 * @property int $done pieces of total
 * @property int $total
 * @property \Illuminate\Support\Carbon|null $as_of what stands in it is how things stood then
 * @property int|null $bytes
 * @property string|null $sha256
 * @property string|null $problem a sentence
 * @property-read Line $line
 * @property-read PressureTest|null $test
 * @property-read User $user
 */
class Pack extends Model
{
    use HasUuids;

    protected $table = 'packs';

    /** s after which who has it made is taken for dead */
    private const SILENT_S = 60;

    private const MOST_ATTEMPTS = 3;

    /** Of two who look at once, each takes another. */
    public const SKIPPING = 'FOR UPDATE SKIP LOCKED';

    /** So many of the same stay. */
    private const KEPT = 2;

    public $timestamps = false;

    protected $guarded = [];

    protected $casts = [
        'kind' => PackKind::class,
        'units' => UnitSystem::class,
        'state' => PackState::class,
        'asked_at' => 'datetime',
        'beat_at' => 'datetime',
        'as_of' => 'datetime',
    ];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }

    /** @return BelongsTo<PressureTest, $this> */
    public function test(): BelongsTo
    {
        return $this->belongsTo(PressureTest::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return Builder<static> of the same, asked for by whoever reads in the same units */
    public function like(): Builder
    {
        return $this->newQuery()
            ->where('line_id', $this->line_id)
            ->where('test_id', $this->test_id)
            ->where('kind', $this->kind->value)
            ->where('units', $this->units->value);
    }

    public function path(): string
    {
        return "packs/{$this->id}.{$this->kind->ending()}";
    }

    /** Under which it is kept by who takes it. */
    public function fileName(): string
    {
        $test = $this->test === null ? [] : [$this->test->section->name, 'test', $this->test->number];
        $what = implode(' ', [$this->line->name, ...$test, $this->kind->value]);
        $plain = trim((string) preg_replace('/[^A-Za-z0-9]+/', '-', $what), '-');

        return "{$plain}-{$this->as_of?->format('Y-m-d')}.{$this->kind->ending()}";
    }

    /** The next one to be made, claimed by who asks: one that waits, or one whose maker has died. */
    public static function claim(string $maker = ''): ?self
    {
        return DB::transaction(function () use ($maker) {
            $dead = now()->subSeconds(self::SILENT_S)->format('Y-m-d H:i:s.v');
            $next = self::query()
                ->where('state', PackState::Waiting->value)
                ->orWhere(fn (Builder $q) => $q->where('state', PackState::Making->value)->where('beat_at', '<', $dead))
                ->orderBy('asked_at')
                ->lock(self::SKIPPING)
                ->first();
            $next?->update([
                'state' => PackState::Making, 'maker' => $maker, 'beat_at' => now(), 'attempts' => $next->attempts + 1,
                'done' => 0, 'total' => 0,
            ]);

            return $next;
        });
    }

    /** Tried again, unless it failed too often. */
    public function fellOver(string $why): void
    {
        $isLast = $this->attempts >= self::MOST_ATTEMPTS;
        $this->update(['state' => $isLast ? PackState::Failed : PackState::Waiting, 'problem' => mb_substr($why, 0, 500)]);
    }

    /** Who begins anew has nothing in hand: what it was making when it died is taken up at once, and that attempt does not count. */
    public static function takeUp(string $maker): void
    {
        self::query()
            ->where('state', PackState::Making->value)
            ->where('maker', $maker)
            ->where('attempts', '>', 0)
            ->decrement('attempts', 1, ['state' => PackState::Waiting->value]);
    }

    /** It is still being made. */
    public function beat(): void
    {
        $this->newQuery()->whereKey($this->id)->update(['beat_at' => now()->format($this->dateFormat)]);
    }

    /** Not its fault: this attempt does not count. */
    public function putBack(): void
    {
        $this->update(['state' => PackState::Waiting, 'attempts' => $this->attempts - 1]);
    }

    /**
     * It is there, and the second one before it goes.
     *
     * @param  array{bytes: int, sha256: string}  $made
     */
    public function isMade(array $made): void
    {
        $this->update(['state' => PackState::Ready, 'problem' => null] + $made);
        $this->like()
            ->whereIn('state', [PackState::Ready->value, PackState::Failed->value])
            ->orderByDesc('asked_at')
            ->get()
            ->skip(self::KEPT)
            ->each(fn (self $old) => $old->remove());
    }

    /** Its file goes with it. */
    public function remove(): void
    {
        Storage::delete($this->path());
        $this->delete();
    }
}
