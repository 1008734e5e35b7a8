<?php

namespace App\Models;

use Diastoma\Core\Stores\StoreKind;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something out of the stores as it was known at a time. Append-only: a renewal supersedes it.
 *
 * @property string $id
 * @property int $project_id
 * @property string $thing_id the same for all that is known of one thing
 * @property string $kind
 * @property string $name
 * @property array<string, mixed> $values
 * @property string|null $supersedes
 * @property string|null $reason
 * @property bool $retired
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read User $user
 * @property-read Project $project
 */
class StoreItem extends Model
{
    protected $table = 'store_items';

    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    protected $casts = ['values' => 'array', 'retired' => 'boolean', 'created_at' => 'datetime'];

    protected static function booted(): void
    {
        static::updating(fn () => throw new \LogicException('What is known of a thing is superseded, never changed'));
        static::deleting(fn () => throw new \LogicException('What is known of a thing is never deleted'));
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Project, $this> */
    public function project(): BelongsTo
    {
        return $this->belongsTo(Project::class);
    }

    /**
     * What counts today: the last that is known of each thing, retired things left out.
     *
     * @return Builder<self>
     */
    public static function inStores(): Builder
    {
        return self::query()->where('retired', false)->whereNotIn('id', self::query()->whereNotNull('supersedes')->select('supersedes'));
    }

    public function ofKind(): StoreKind
    {
        return StoreKind::of($this->kind);
    }

    /** @return array<string, mixed> as a fact carries it: true for ever, whatever becomes of the thing */
    public function snapshot(): array
    {
        return ['id' => $this->id, 'name' => $this->name] + $this->values;
    }
}
