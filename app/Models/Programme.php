<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Days as somebody took them for the plan, with what was to hand. None is ever altered; a later one counts from then on.
 *
 * @property string $id
 * @property string $line_id
 * @property int $user_id
 * @property string|null $section_id null: the whole line
 * @property array<string, mixed> $asked
 * @property list<array{date: string, joints: int, metres: float, tests: int}> $days
 * @property \Illuminate\Support\Carbon|null $test_from
 * @property \Illuminate\Support\Carbon $made_at
 * @property-read User $user
 */
class Programme extends Model
{
    use HasUuids;

    protected $table = 'programmes';

    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['asked' => 'array', 'days' => 'array', 'test_from' => 'datetime', 'made_at' => 'datetime'];

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
