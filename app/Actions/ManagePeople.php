<?php

namespace App\Actions;

use App\Models\Project;
use App\Models\Role;
use App\Models\User;
use App\Support\Conflict;
use App\Support\Journal;
use App\Support\Say;
use Illuminate\Support\Facades\DB;

/** What an administrator does with people: roles, and who is let in at all. What they recorded stays theirs. */
final class ManagePeople
{
    public function giveRole(Project $project, User $user, Role $role): void
    {
        $had = $user->roleOn($project->id);
        $user->projects()->syncWithoutDetaching([$project->id => ['role' => $role->value]]);
        $user->unsetRelation('projects');
        Journal::note('role-given', [
            'name' => $user->name, 'project' => $project->name, 'role' => $role->value, 'before' => $had?->value,
        ]);
    }

    public function takeFrom(Project $project, User $user): void
    {
        if ($user->projects()->detach($project->id) === 0) {
            throw new Conflict('user', Say::text('refused.notInProject', ['name' => $user->name, 'project' => $project->name]));
        }
        $user->unsetRelation('projects');
        Journal::note('taken-from-project', ['name' => $user->name, 'project' => $project->name]);
    }

    public function disable(User $user): void
    {
        DB::transaction(function () use ($user): void {
            $this->mustLeaveAnAdministrator($user);
            $user->update(['disabled_at' => now()]);
            DB::table('sessions')->where('user_id', $user->id)->delete();
            Journal::note('disabled', ['name' => $user->name]);
        }, 3);
    }

    public function enable(User $user): void
    {
        $user->update(['disabled_at' => null]);
        Journal::note('enabled', ['name' => $user->name]);
    }

    public function makeAdministrator(User $user, bool $is): void
    {
        DB::transaction(function () use ($user, $is): void {
            if (! $is) {
                $this->mustLeaveAnAdministrator($user);
            }
            $user->update(['is_admin' => $is]);
            Journal::note($is ? 'administrator' : 'no-administrator', ['name' => $user->name]);
        }, 3);
    }

    /** For somebody who lost the device that shows the codes. */
    public function removeSecondFactor(User $user): void
    {
        $user->update(['code_secret' => null, 'code_step' => null]);
        Journal::note('factor-removed', ['name' => $user->name]);
    }

    /** Two who disable each other at the same moment wait for each other here. */
    private function mustLeaveAnAdministrator(User $user): void
    {
        $others = User::query()->where('is_admin', true)->whereNull('disabled_at')->lockForUpdate()->pluck('id')->diff([$user->id]);
        if ($others->isEmpty()) {
            throw new Conflict('user', Say::text('refused.lastAdministrator'));
        }
    }
}
