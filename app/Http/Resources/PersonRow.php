<?php

namespace App\Http\Resources;

use App\Models\Project;
use App\Models\User;

/** A person as the administrator sees them. */
final class PersonRow
{
    /**
     * @param  int|null  $seen  when a device of theirs asked for something last, Unix time
     * @return array<string, mixed>
     */
    public static function of(User $user, ?int $seen = null): array
    {
        return [
            'id' => $user->id,
            'name' => $user->name,
            'email' => $user->email,
            'is_admin' => $user->is_admin,
            'disabled' => $user->disabled_at !== null,
            'second_factor' => $user->code_secret !== null,
            'seen_at' => $seen === null ? null : gmdate('Y-m-d\TH:i:s\Z', $seen),
            'roles' => $user->projects
                ->map(fn (Project $p) => ['project_id' => $p->id, 'project' => $p->name, 'role' => $p->pivot->role])
                ->values()
                ->all(),
        ];
    }
}
