<?php

namespace App\Http\Controllers;

use App\Models\Line;
use App\Models\Role;
use App\Models\Subject;
use App\Models\User;
use App\Support\Conflict;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

abstract class Controller
{
    protected function user(Request $request): User
    {
        /** @var User */
        return $request->user();
    }

    /**
     * What was recorded under one name is not sent under another: a device that is shared says whose it is.
     *
     * @throws Conflict
     */
    protected function mustBeTheirs(Request $request): void
    {
        $by = $request->header('X-Recorded-By');
        if ($by !== null && $by !== (string) $this->user($request)->id) {
            throw new Conflict('recorded_by', 'This was recorded by somebody else, who must be signed in to send it. It stays on the device.');
        }
    }

    /** The role of the person on the line; someone who does not belong to the project finds nothing. */
    protected function member(Request $request, Line $line): Role
    {
        Gate::authorize('view', $line);

        return $this->user($request)->roleOn($line->project_id) ?? throw new \LogicException('Seen, but no member');
    }

    /** @return array<string, mixed> a joint or test with facts and judgement, in the reader's units */
    protected function subject(Request $request, Subject $subject, mixed $judgement = null): array
    {
        $zone = new \DateTimeZone($subject->line()->project->time_zone);
        $judgement ??= $subject->judgement();

        return ['judgement' => $judgement->toArray($this->user($request)->units, $zone)];
    }
}
