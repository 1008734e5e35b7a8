<?php

namespace App\Models;

use App\Support\Address;
use Diastoma\Core\Units\UnitSystem;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property UnitSystem $units
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Project> $projects
 * @property-read object{role: string} $pivot of a project through which it was found
 */
class User extends Authenticatable
{
    protected $guarded = [];

    protected $hidden = ['password', 'remember_token'];

    protected $casts = ['password' => 'hashed', 'units' => UnitSystem::class];

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

    /** Role on a project, or null for somebody who does not belong to it. */
    public function roleOn(int $projectId): ?Role
    {
        $project = $this->projects->firstWhere('id', $projectId);

        return $project === null ? null : Role::from($project->pivot->role);
    }
}
