<?php

namespace App\Http\Controllers;

use App\Actions\FindAnything;
use App\Actions\ListWaiting;
use App\Http\Requests\ProjectParties;
use App\Models\Project;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What a person looks at across lines: what waits for them, what they look for, and with whom they work. */
final class DeskController extends Controller
{
    public function waiting(Request $request, ListWaiting $list): JsonResponse
    {
        return new JsonResponse($list($this->user($request)));
    }

    public function find(Request $request, FindAnything $find): JsonResponse
    {
        $request->validate(['q' => 'nullable|string|max:80']);

        return new JsonResponse($find($this->user($request), (string) $request->string('q')));
    }

    /** Who asks for it and who builds it, as it stands on what is handed over. */
    public function describe(ProjectParties $request, Project $project): JsonResponse
    {
        $project->update($request->said());

        return new JsonResponse($project->only(['id', 'name', 'client', 'contractor', 'accepts_own_work']));
    }

    public function people(Request $request): JsonResponse
    {
        $projects = $this->user($request)->projects->load(['users' => fn ($users) => $users->orderBy('name')]);

        return new JsonResponse(
            $projects->map(fn (Project $p) => $p->only(['id', 'name', 'place', 'client', 'contractor', 'accepts_own_work', 'practice']) + [
                'people' => $p->users->map(fn (User $u) => ['id' => $u->id, 'name' => $u->name, 'role' => $u->pivot->role])->all(),
            ])->values()->all(),
        );
    }
}
