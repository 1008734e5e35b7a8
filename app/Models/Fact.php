<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\MorphTo;

/**
 * What somebody recorded. Append-only.
 *
 * @property int $seq
 * @property string $id
 * @property string $subject_type
 * @property string $subject_id
 * @property string $step
 * @property array<string, mixed> $value
 * @property array<string, mixed> $typed as it came from the device
 * @property string $recorded_at
 * @property int $user_id
 * @property string $role
 * @property string|null $supersedes
 * @property string|null $reason
 * @property string $body_hash
 * @property string $received_at by the clock of the server, UTC
 * @property string|null $device on which it was recorded
 * @property int|null $clock_off_s by how much the clock of the device was ahead; the time of recording is corrected by it
 * @property-read User $user
 * @property-read string $by name of the person, where it was read with {@see Subject::recorded()}
 */
class Fact extends Model
{
    protected $table = 'facts';

    protected $primaryKey = 'seq';

    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['value' => 'array', 'typed' => 'array'];

    protected static function booted(): void
    {
        static::updating(fn () => throw new \LogicException('Facts are never changed'));
        static::deleting(fn () => throw new \LogicException('Facts are never deleted'));
    }

    /**
     * As it stands under a seal, read with {@see Subject::recorded()}.
     *
     * @return array<string, mixed>
     */
    public function stated(): array
    {
        return [
            'id' => $this->id,
            'step' => $this->step,
            'value' => $this->value,
            'typed' => $this->typed,
            'at' => $this->recorded_at,
            'received' => $this->received_at,
            'device' => $this->device,
            'clock_off_s' => $this->clock_off_s,
            'by' => $this->by,
            'role' => $this->role,
            'supersedes' => $this->supersedes,
            'reason' => $this->reason,
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return MorphTo<Model, $this> */
    public function subject(): MorphTo
    {
        return $this->morphTo();
    }
}
