<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A link that lets in one person, once, for some days: into a project with a role, as administrator, or, where that person is
 * here already, to a new password.
 *
 * @property int $id
 * @property string $token_hash
 * @property string $name of who is invited, as the inviting person wrote it; may be empty
 * @property int|null $project_id
 * @property string|null $role
 * @property bool $makes_admin
 * @property int|null $user_id
 * @property int|null $invited_by
 * @property \Illuminate\Support\Carbon $expires_at
 * @property \Illuminate\Support\Carbon|null $used_at
 * @property-read Project|null $project
 * @property-read User|null $user
 * @property-read User|null $inviter
 */
class Invitation extends Model
{
    protected $table = 'invitations';

    public const DAYS = 7;

    protected $guarded = [];

    protected $casts = ['makes_admin' => 'boolean', 'expires_at' => 'datetime', 'used_at' => 'datetime'];

    /** @return BelongsTo<Project, $this> */
    public function project(): BelongsTo
    {
        return $this->belongsTo(Project::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<User, $this> */
    public function inviter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'invited_by');
    }

    public static function hashOf(#[\SensitiveParameter] string $token): string
    {
        return hash('sha256', $token);
    }

    /** @return Builder<self> that can still be followed */
    public static function open(): Builder
    {
        return self::query()->whereNull('used_at')->where('expires_at', '>', now());
    }
}
