<?php

namespace App\Models;

use Carbon\CarbonInterface;
use Diastoma\Core\Procedure\Procedure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;

/**
 * How the seals of a long line held when all of them were last looked at, and whether that is asked for again.
 *
 * @property string $line_id
 * @property \Illuminate\Support\Carbon|null $held_at null: never yet
 * @property int $seals that were there
 * @property string $head hash of the last of them
 * @property list<string> $broken
 * @property list<string> $anew
 * @property string $proof by a key that is not in the database, over all that is said
 * @property \Illuminate\Support\Carbon|null $asked_at null: nobody waits for it
 * @property \Illuminate\Support\Carbon|null $beat_at when it was last worked on
 * @property-read Line $line
 */
class Examination extends Model
{
    protected $table = 'examinations';

    /** s after which who does it is taken for dead */
    private const SILENT_S = 60;

    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'line_id';

    protected $keyType = 'string';

    protected $guarded = [];

    protected $casts = ['held_at' => 'datetime', 'asked_at' => 'datetime', 'beat_at' => 'datetime', 'broken' => 'array', 'anew' => 'array'];

    protected $attributes = ['seals' => 0, 'head' => '', 'broken' => '[]', 'anew' => '[]', 'proof' => ''];

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }

    /** @param  array{held_at: CarbonInterface, seals: int, head: string, broken: list<string>, anew: list<string>}  $says */
    public static function proofOf(string $line, array $says): string
    {
        $at = $says['held_at']->toImmutable()->utc()->format('Y-m-d H:i:s');
        $said = Procedure::canonical([$line, $at, $says['seals'], $says['head'], $says['broken'], $says['anew']]);

        return hash_hmac('sha256', $said, Config::string('app.key'));
    }

    /** Does it say what this server found, and at a time that has been? */
    public function isGenuine(): bool
    {
        return $this->held_at !== null && ! $this->held_at->isFuture() && hash_equals(self::proofOf($this->line_id, [
            'held_at' => $this->held_at, 'seals' => $this->seals, 'head' => $this->head, 'broken' => $this->broken, 'anew' => $this->anew,
        ]), $this->proof);
    }

    /** The next one that somebody waits for, claimed by who asks. */
    public static function claim(): ?self
    {
        return DB::transaction(function () {
            $next = self::query()
                ->whereNotNull('asked_at')
                ->where(fn (Builder $q) => $q->whereNull('beat_at')->orWhere('beat_at', '<', now()->subSeconds(self::SILENT_S)))
                ->orderBy('asked_at')
                ->lock(Pack::SKIPPING)
                ->first();
            $next?->update(['beat_at' => now()]);

            return $next;
        });
    }

    public function beat(): void
    {
        $this->newQuery()->whereKey($this->line_id)->update(['beat_at' => now()]);
    }

    /** It was not done: somebody else takes it up later. */
    public function fellOver(): void
    {
        $this->newQuery()->whereKey($this->line_id)->update(['asked_at' => null, 'beat_at' => null]);
    }
}
