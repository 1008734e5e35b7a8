<?php

namespace App\Models;

use App\Support\Address;
use App\Support\PersonName;
use Diastoma\Core\Units\UnitSystem;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property UnitSystem $units
 * @property bool $is_admin makes projects, invites people, gives roles
 * @property \Illuminate\Support\Carbon|null $disabled_at
 * @property string|null $code_secret of the second factor; null: there is none
 * @property string|null $code_pending of a second factor that is being added
 * @property int|null $code_step in which a code of it was used last
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Project> $projects
 * @property-read object{role: string} $pivot of a project through which it was found
 */
class User extends Authenticatable
{
    protected $table = 'users';

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token', 'code_secret', 'code_pending'];

    protected $attributes = [
        'is_admin' => false, 'disabled_at' => null, 'code_secret' => null, 'code_pending' => null, 'code_step' => null,
    ];

    protected $casts = [
        'password' => 'hashed', 'units' => UnitSystem::class, 'is_admin' => 'boolean', 'disabled_at' => 'datetime',
        'code_secret' => 'encrypted', 'code_pending' => 'encrypted',
    ];

    /** Kept in its one form, however it is typed. */
    protected function email(): Attribute
    {
        return Attribute::set(fn (string $typed) => Address::normal($typed));
    }

    /** @return BelongsToMany<Project, $this> */
    public function projects(): BelongsToMany
    {
        return $this->belongsToMany(Project::class)->withPivot('role');
    }

    protected function name(): Attribute
    {
        return Attribute::set(fn (string $typed) => PersonName::normal($typed));
    }

    /** A project of theirs wants a second factor, and there is none yet. */
    public function mustAddFactor(): bool
    {
        return $this->code_secret === null && $this->projects->contains('wants_second_factor', true);
    }

    /** Role on a project, or null for somebody who does not belong to it. */
    public function roleOn(int $projectId): ?Role
    {
        $project = $this->projects->firstWhere('id', $projectId);

        return $project === null ? null : Role::from($project->pivot->role);
    }
}
