<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A reading that came in when another one counted already, such as from a phone without network: kept as it came, beside the
 * record, until a foreman or an engineer says which counts.
 *
 * @property int $seq
 * @property string $id of the fact that it would be
 * @property string $subject_type
 * @property string $subject_id
 * @property string $step
 * @property array<string, mixed> $value as it came from the device
 * @property string $recorded_at
 * @property int $user_id
 * @property string $role
 * @property string|null $device
 * @property int|null $clock_off_s
 * @property string $body_hash
 * @property string $why it does not count by itself
 * @property string $received_at by the clock of the server, UTC
 * @property bool|null $counts null: nobody has decided
 * @property int|null $decided_by
 * @property string|null $reason
 * @property string|null $decided_at UTC
 * @property-read User $user
 * @property-read User|null $decider
 */
class Contested extends Model
{
    protected $table = 'contested';

    protected $primaryKey = 'seq';

    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['value' => 'array', 'counts' => 'boolean'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<User, $this> */
    public function decider(): BelongsTo
    {
        return $this->belongsTo(User::class, 'decided_by');
    }

    /** @return Builder<static> of a joint, test or stretch */
    public static function of(Subject $subject): Builder
    {
        return static::query()->where('subject_type', $subject->getMorphClass())->where('subject_id', $subject->getKey());
    }
}
