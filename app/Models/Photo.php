<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\MorphTo;

/**
 * A picture that belongs to a step. Its bytes lie in the storage folder under its id; the hash tells whether they are still those.
 *
 * @property string $id
 * @property string $subject_type
 * @property string $subject_id
 * @property string $step
 * @property string $sha256
 * @property int $bytes
 * @property int $width
 * @property int $height
 * @property string $taken_at
 * @property bool $late it came in after what it shows was sealed or cut out: a remark, and no part of what was accepted
 * @property-read User $user
 * @property-read Model|null $subject
 */
class Photo extends Model
{
    protected $table = 'photos';

    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    protected $casts = ['late' => 'boolean'];

    /** @return MorphTo<Model, $this> */
    public function subject(): MorphTo
    {
        return $this->morphTo();
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public static function path(string $id): string
    {
        return "photos/{$id}.jpg";
    }
}
