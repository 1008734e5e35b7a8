<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A plan that was laid down: which pipe goes where from the face on, as it was asked for and as it came out. None is ever altered; a
 * later one begins where the line stood by then.
 *
 * @property string $id
 * @property string $line_id
 * @property int $user_id
 * @property string $reason
 * @property float $from_m chainage, m
 * @property array<string, mixed> $asked
 * @property list<array<string, mixed>> $rows a pipe a row
 * @property \Illuminate\Support\Carbon $made_at
 * @property-read User $user
 */
class LayingPlan extends Model
{
    use HasUuids;

    protected $table = 'laying_plans';

    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['asked' => 'array', 'rows' => 'array', 'from_m' => 'float', 'made_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public static function lastOf(Line $line): ?self
    {
        return self::query()->where('line_id', $line->id)->orderByDesc('made_at')->orderByDesc('id')->first();
    }
}
