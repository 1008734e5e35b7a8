<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What somebody said of a pipe. Append-only.
 *
 * @property string $pipe_id
 * @property string $state
 * @property string|null $reason
 * @property string $created_at
 * @property-read User $user
 */
class PipeWord extends Model
{
    protected $table = 'pipe_words';

    public $timestamps = false;

    protected $primaryKey = 'seq';

    protected $guarded = [];

    protected static function booted(): void
    {
        static::updating(fn () => throw new \LogicException('What was said of a pipe is never changed'));
        static::deleting(fn () => throw new \LogicException('What was said of a pipe is never deleted'));
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
