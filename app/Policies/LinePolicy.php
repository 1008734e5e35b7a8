<?php

namespace App\Policies;

use App\Models\Line;
use App\Models\User;
use App\Support\Say;
use Illuminate\Auth\Access\Response;

/** Nobody reaches another project's lines; what a member may do depends on the role. */
final class LinePolicy
{
    public function view(User $user, Line $line): Response
    {
        // Not found rather than forbidden: a stranger learns nothing.
        return $user->roleOn($line->project_id) === null ? Response::denyAsNotFound() : Response::allow();
    }

    public function plan(User $user, Line $line): Response
    {
        return $this->may($user, $line, fn ($role) => $role->mayPlan(), 'refused.engineerPlans');
    }

    public function planDays(User $user, Line $line): Response
    {
        return $this->may($user, $line, fn ($role) => $role->mayPlanDays(), 'refused.whoPlansDays');
    }

    public function cutOut(User $user, Line $line): Response
    {
        return $this->may($user, $line, fn ($role) => $role->mayCutOut(), 'refused.whoOrdersCutOut');
    }

    public function addJoint(User $user, Line $line): Response
    {
        return $this->may($user, $line, fn ($role) => $role->mayAddJoint(), 'refused.whoAddsJoint');
    }

    public function test(User $user, Line $line): Response
    {
        return $this->may($user, $line, fn ($role) => $role->mayTest(), 'refused.whoBeginsTest');
    }

    /** @param  callable(\App\Models\Role): bool  $allowed */
    private function may(User $user, Line $line, callable $allowed, string $why): Response
    {
        $role = $user->roleOn($line->project_id);

        return match (true) {
            $role === null => Response::denyAsNotFound(),
            $allowed($role) => Response::allow(),
            default => Response::deny(Say::text($why)),
        };
    }
}
