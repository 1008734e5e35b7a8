<?php

namespace App\Models;

use Diastoma\Core\Laying\PlacedBend;
use Diastoma\Core\Pipe\PipeNumber;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A length of pipe of a line: to hand, laid, or rejected with the reason.
 *
 * @property string $id
 * @property string $line_id
 * @property string $number as it is painted on it
 * @property string $plain as it is compared
 * @property string|null $serial
 * @property array<string, mixed> $size material, series, size, dn_mm, od_mm, sdr, wall_mm and what the material brings along
 * @property float|null $length_m
 * @property float|null $cut_from_m by the laying plan: length of the pipe that it is to be cut from
 * @property array{at_m: float, bend_deg: float, leg_m: float}|null $bend it is no pipe but a bend, set into that corner of the line
 * @property string|null $source where it is from
 * @property string|null $delivery_id the delivery with which it came
 * @property string $state to-hand, laid or rejected
 * @property string|null $reason why it was rejected, or accepted again
 * @property int|null $user_id who said so
 * @property-read \Illuminate\Database\Eloquent\Collection<int, PipeWord> $words
 * @property-read Line $line
 * @property-read Stretch|null $cameWith
 */
class Pipe extends Model
{
    use HasUuids;

    protected $table = 'pipes';

    public const TO_HAND = 'to-hand';

    public const LAID = 'laid';

    public const REJECTED = 'rejected';

    protected $guarded = [];

    protected $casts = ['size' => 'array', 'bend' => 'array', 'length_m' => 'float', 'cut_from_m' => 'float'];

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }

    /** @return BelongsTo<Stretch, $this> with which it came */
    public function cameWith(): BelongsTo
    {
        return $this->belongsTo(Stretch::class, 'delivery_id');
    }

    /** @return HasMany<PipeWord, $this> what was said of it, the last first */
    public function words(): HasMany
    {
        return $this->hasMany(PipeWord::class)->orderByDesc('seq');
    }

    /**
     * The pipe of a number; one that is not known yet is a pipe of the line as it was planned. Held until the transaction
     * ends: what is said of it meanwhile waits, and then finds the joint that names it.
     */
    public static function findOrMake(Line $line, string $number, ?int $by): self
    {
        $its = ['line_id' => $line->id, 'plain' => PipeNumber::plain($number)];
        $known = self::query()->where($its)->sharedLock()->first();
        if ($known !== null) {
            return $known;
        }
        $pipe = self::query()->createOrFirst($its, ['number' => trim($number), 'size' => $line->pipe, 'user_id' => $by]);

        return $pipe->wasRecentlyCreated ? $pipe : self::query()->sharedLock()->findOrFail($pipe->id);
    }

    /** Null: it is a pipe. */
    public function bend(): ?PlacedBend
    {
        return $this->bend === null ? null : new PlacedBend($this->bend['at_m'], $this->bend['bend_deg'], $this->bend['leg_m']);
    }

    /** What is known of it where a joint is judged. @return array<string, mixed> */
    public function known(): array
    {
        return $this->size + ['number' => $this->number, 'length_m' => $this->length_m];
    }
}
