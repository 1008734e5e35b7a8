<?php

namespace App\Http\Controllers;

use App\Actions\AdmitPerson;
use App\Actions\ManagePeople;
use App\Http\Requests\NewInvitation;
use App\Http\Requests\NewProject;
use App\Http\Requests\PersonChange;
use App\Http\Resources\PersonRow;
use App\Models\Invitation;
use App\Models\JournalEntry;
use App\Models\Project;
use App\Models\Role;
use App\Models\User;
use App\Support\Journal;
use App\Support\Say;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;

/** What the administrator of the organisation sees and does: projects, people, invitations, the journal. */
final class OrganisationController extends Controller
{
    private const PAGE = 100;

    public function show(): JsonResponse
    {
        $people = User::query()->with('projects')->orderBy('name')->get();
        $seen = DB::table('sessions')->whereNotNull('user_id')->groupBy('user_id')->selectRaw('user_id, MAX(last_activity) AS at')
            ->pluck('at', 'user_id');
        $open = Invitation::open()->with(['project', 'user', 'inviter'])->orderByDesc('id')->get();

        return new JsonResponse([
            'projects' => Project::query()->orderBy('name')->withCount(['users', 'lines'])->get()->map(
                fn (Project $p) => $p->only(['id', 'name', 'place', 'practice', 'wants_second_factor']) + [
                    'people' => $p->getAttribute('users_count'), 'lines' => $p->getAttribute('lines_count'),
                ],
            )->all(),
            'people' => $people->map(fn (User $user) => PersonRow::of($user, $seen[$user->id] ?? null))->all(),
            'invitations' => $open->map(fn (Invitation $i) => [
                'id' => $i->id,
                'name' => $i->user->name ?? $i->name,
                'project' => $i->project?->name,
                'role' => $i->role,
                'makes_admin' => $i->makes_admin,
                'renews_password' => $i->user_id !== null,
                'invited_by' => $i->inviter?->name,
                'expires_at' => $i->expires_at->toIso8601ZuluString(),
            ])->all(),
        ]);
    }

    public function makeProject(NewProject $request): JsonResponse
    {
        $project = DB::transaction(function () use ($request): Project {
            $project = Project::query()->create($request->project());
            // Somebody must be able to plan in it; others are invited.
            $project->users()->attach($this->user($request), ['role' => Role::Engineer->value]);
            Journal::note('project-made', ['project' => $project->name]);

            return $project;
        });

        return new JsonResponse($project->only(['id', 'name', 'place', 'time_zone', 'practice']) + ['role' => Role::Engineer->value], 201);
    }

    public function changeProject(Request $request, Project $project): JsonResponse
    {
        $said = $request->validate(['wants_second_factor' => 'required|boolean']);
        $project->update($said);
        Journal::note($project->wants_second_factor ? 'factor-wanted' : 'factor-not-wanted', ['project' => $project->name]);

        return new JsonResponse($project->only(['id', 'name', 'wants_second_factor']));
    }

    public function invite(NewInvitation $request, AdmitPerson $admit): JsonResponse
    {
        [$invitation, $token] = $admit->invite($this->user($request), $request->invited());
        $of = ['name' => $invitation->user->name ?? $invitation->name];
        $invitation->project === null
            ? Journal::note($invitation->user_id === null ? 'invited-as-administrator' : 'password-link', $of)
            : Journal::note('invited', $of + ['project' => $invitation->project->name, 'role' => $invitation->role]);

        return new JsonResponse([
            'id' => $invitation->id,
            'path' => "/invited/{$token}",
            'expires_at' => $invitation->expires_at->toIso8601ZuluString(),
        ], 201);
    }

    public function withdraw(Invitation $invitation): Response
    {
        $invitation->update(['used_at' => $invitation->used_at ?? now()]);
        Journal::note('withdrawn', ['name' => $invitation->user->name ?? $invitation->name]);

        return response()->noContent();
    }

    public function change(PersonChange $request, User $user, ManagePeople $manage): JsonResponse
    {
        $said = $request->validated();
        if (isset($said['disabled'])) {
            $said['disabled'] ? $manage->disable($user) : $manage->enable($user);
        }
        if (isset($said['is_admin'])) {
            $manage->makeAdministrator($user, (bool) $said['is_admin']);
        }
        if (($said['second_factor'] ?? null) === false) {
            $manage->removeSecondFactor($user);
        }

        return new JsonResponse(PersonRow::of($user->refresh()));
    }

    public function giveRole(Request $request, Project $project, User $user, ManagePeople $manage): JsonResponse
    {
        $role = Role::from($request->validate(['role' => ['required', Rule::enum(Role::class)]])['role']);
        $manage->giveRole($project, $user, $role);

        return new JsonResponse(PersonRow::of($user->refresh()));
    }

    public function takeFrom(Project $project, User $user, ManagePeople $manage): JsonResponse
    {
        $manage->takeFrom($project, $user);

        return new JsonResponse(PersonRow::of($user->refresh()));
    }

    /** The newest first, a page at a time. */
    public function journal(Request $request): JsonResponse
    {
        $before = $request->validate(['before' => 'integer|min:1', 'what' => 'string|max:40']);
        $rows = JournalEntry::query()
            ->when($before['before'] ?? null, fn ($q, $seq) => $q->where('seq', '<', $seq))
            ->when($before['what'] ?? null, fn ($q, $what) => $q->where('what', $what))
            ->orderByDesc('seq')
            ->limit(self::PAGE)
            ->get();

        return new JsonResponse($rows->map(fn (JournalEntry $row) => [
            'seq' => $row->seq,
            'at' => str_replace(' ', 'T', $row->at).'Z',
            'who' => $row->who,
            'what' => $row->what,
            'text' => Say::text("journal.{$row->what}", $row->about),
            'address' => $row->address,
        ])->all());
    }
}
