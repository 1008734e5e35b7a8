<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property string $place
 * @property string $client for whom it is built; empty: nobody has said it
 * @property string $contractor who builds it
 * @property string $time_zone
 * @property bool $accepts_own_work who made a joint alone may accept it; the record says so
 * @property bool $wants_second_factor who works here signs in with a code beside the password
 * @property bool $practice stand-ins play its devices; nothing in it is real work
 * @property-read object{role: string} $pivot
 * @property-read \Illuminate\Database\Eloquent\Collection<int, User> $users
 */
class Project extends Model
{
    protected $table = 'projects';

    protected $guarded = [];

    protected $attributes = ['client' => '', 'contractor' => '', 'accepts_own_work' => false, 'wants_second_factor' => false];

    protected $casts = ['practice' => 'boolean', 'accepts_own_work' => 'boolean', 'wants_second_factor' => 'boolean'];

    /** @return HasMany<Line, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(Line::class);
    }

    /** @return BelongsToMany<User, $this> */
    public function users(): BelongsToMany
    {
        return $this->belongsToMany(User::class)->withPivot('role');
    }
}
