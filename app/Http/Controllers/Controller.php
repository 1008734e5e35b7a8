<?php

namespace App\Http\Controllers;

use App\Models\Line;
use App\Models\Role;
use App\Models\Subject;
use App\Models\User;
use Diastoma\Core\Procedure\Judgement;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;

abstract class Controller
{
    protected function user(Request $request): User
    {
        /** @var User */
        return $request->user();
    }

    /** The role of the person on the line; someone who does not belong to the project finds nothing. */
    protected function member(Request $request, Line $line): Role
    {
        Gate::authorize('view', $line);

        $project = $this->user($request)->projects->firstWhere('id', $line->project_id) ?? throw new \LogicException('Seen, but no member');
        $line->setRelation('project', $project);

        return Role::from($project->pivot->role);
    }

    /** @return array<string, mixed> a judgement in the reader's units and the time of the place */
    protected function judgement(Request $request, Subject $subject, Judgement $judgement): array
    {
        return $judgement->toArray($this->user($request)->units, new \DateTimeZone($subject->line()->project->time_zone));
    }

    /** Sign-in and sign-out are of the session, whichever guard the request came in by. */
    protected function web(): StatefulGuard
    {
        $guard = Auth::guard('web');
        \assert($guard instanceof StatefulGuard);

        return $guard;
    }
}
