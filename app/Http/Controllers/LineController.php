<?php

namespace App\Http\Controllers;

use App\Actions\AddJoints;
use App\Actions\AddStretch;
use App\Actions\CreateLine;
use App\Actions\ReadCentreLine;
use App\Actions\ReadDayLog;
use App\Http\Resources\LineRow;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Project;
use App\Models\Section;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final class LineController extends Controller
{
    private const SECTION = [
        'name' => 'required|string|max:80',
        'from_m' => 'required|numeric',
        'to_m' => 'required|numeric',
        'method_hash' => 'required|string|size:64',
        'gauge_m' => 'nullable|numeric',
        'stp_method' => 'nullable|in:en805-surge-calculated,en805-surge-assumed,factor',
        'factor' => 'nullable|numeric|between:1,3',
        'water_c' => 'nullable|numeric|between:1,40',
        'fill_l_s' => 'nullable|numeric|between:0.01,1000',
        'pipe_max_bar' => 'nullable|numeric|between:0.1,200',
    ];

    public function index(Request $request): JsonResponse
    {
        $projects = $this->user($request)->projects->pluck('id');
        $lines = Line::query()
            ->whereIn('project_id', $projects)
            ->with(['project', 'joints.procedureText', 'sections.tests', 'procedureText'])
            ->orderBy('name')
            ->get();
        $lines->each(fn (Line $line) => $line->joints->each(fn (Joint $j) => $j->setRelation('ofLine', $line)));

        return new JsonResponse($lines->map(fn (Line $line) => [
            'id' => $line->id, 'name' => $line->name, 'service' => $line->service, 'project' => $line->project->name, 'pipe' => $line->pipe,
            'length_m' => $line->length(), 'start_m' => $line->centre_line[0][0],
            'joints' => $line->joints->map(LineRow::joint(...))->all(),
            'sections' => $line->sections->map(fn (Section $s) => $this->section($s))->all(),
        ])->all());
    }

    public function store(Request $request, CreateLine $create): JsonResponse
    {
        $body = $request->validate(
            [
                'project_id' => 'required|integer',
                'name' => 'required|string|max:120',
                'service' => 'required|in:water,sewer,gas',
                'material' => 'required|in:PE100,PVC-U',
                'series' => 'nullable|in:metric,ips,dips',
                'dn_mm' => 'required_without:nominal|numeric',
                'nominal' => 'nullable|numeric',
                'sdr' => 'required|numeric|between:5,51',
                'wall_mm' => 'nullable|numeric',
                'design_bar' => 'required|numeric|between:0.1,100',
                'mdp_bar' => 'required|numeric|between:0.1,100',
                'pipe_length_m' => 'required|numeric|between:0.5,25',
                'procedure_hash' => 'required|string|size:64',
                'centre_line' => 'required|array|min:2|max:20000',
                'sections' => 'array|max:200',
            ] + array_combine(array_map(fn ($key) => "sections.*.{$key}", array_keys(self::SECTION)), self::SECTION),
        );
        $project = Project::query()->findOrFail($body['project_id']);
        $role = $this->user($request)->roleOn($project->id) ?? abort(404);
        if (! $role->mayPlan()) {
            throw new AuthorizationException('Only an engineer makes a line.');
        }

        return new JsonResponse($this->full($create($project, $this->user($request), $body), $request), 201);
    }

    public function show(Request $request, Line $line): JsonResponse
    {
        $this->member($request, $line);

        return new JsonResponse($this->full($line, $request));
    }

    public function log(Request $request, Line $line, ReadDayLog $read): JsonResponse
    {
        $this->member($request, $line);

        return new JsonResponse($read($line));
    }

    public function addSection(Request $request, Line $line): JsonResponse
    {
        $this->member($request, $line);
        Gate::authorize('plan', $line);
        CreateLine::addSection($line, $request->validate(self::SECTION));

        return new JsonResponse($this->full($line->refresh(), $request), 201);
    }

    public function addJoints(Request $request, Line $line, AddJoints $add): JsonResponse
    {
        $this->member($request, $line);
        $body = $request->validate([
            'procedure_hash' => 'required|string|size:64',
            'chainage_m' => 'nullable|numeric',
            'number' => 'nullable|string|max:20|regex:/^[A-Za-z0-9-]+$/',
            'host_id' => 'nullable|uuid',
            'count' => 'nullable|integer',
            'pipe' => 'nullable|string|max:60',
        ]);
        // Restraints come with the work and are added by anybody; whatever else is named, it is no restraint by its name.
        if ($add->procedure($line, $body['procedure_hash'])->place() !== 'restraint') {
            Gate::authorize('addJoint', $line);
        }

        return new JsonResponse(array_map(fn (Joint $j) => LineRow::joint($j->refresh()), $add($line, $body)), 201);
    }

    public function addStretch(Request $request, Line $line, AddStretch $add): JsonResponse
    {
        $this->member($request, $line);
        $body = $request->validate([
            'procedure_hash' => 'required|string|size:64',
            'name' => 'required|string|max:80',
            'from_m' => 'required|numeric',
            'to_m' => 'nullable|numeric',
        ]);

        return new JsonResponse(LineRow::stretch($add($line, $this->user($request), $body)), 201);
    }

    public function readCentreLine(Request $request, ReadCentreLine $read): JsonResponse
    {
        $request->validate(['file' => 'required|file|max:8192']);

        return new JsonResponse(['points' => $read((string) $request->file('file')->get())]);
    }

    /** @return array<string, mixed> */
    private function full(Line $line, Request $request): array
    {
        $line->load(['project', 'joints.procedureText', 'sections.tests', 'sections.method', 'stretches', 'procedureText']);
        $line->joints->each(fn (Joint $j) => $j->setRelation('ofLine', $line));

        return [
            'id' => $line->id,
            'name' => $line->name,
            'service' => $line->service,
            'project' => $line->project->name,
            'time_zone' => $line->project->time_zone,
            'project_id' => $line->project_id,
            'role' => $this->user($request)->roleOn($line->project_id)?->value,
            'pipe' => $line->pipe,
            'design_bar' => $line->design_bar,
            'mdp_bar' => $line->mdp_bar,
            'pipe_length_m' => $line->pipe_length_m,
            'length_m' => $line->length(),
            'start_m' => $line->centre_line[0][0],
            'centre_line' => $line->centre_line,
            'procedure' => [
                'hash' => $line->procedure_hash,
                'title' => $line->procedureText->title,
                'key' => $line->procedureText->key,
                'version' => $line->procedureText->version,
            ],
            'joints' => $line->joints->map(LineRow::joint(...))->all(),
            'sections' => $line->sections->map(fn (Section $s) => $this->section($s) + ['method' => $s->method->title])->all(),
            'stretches' => $line->stretches->map(LineRow::stretch(...))->all(),
        ];
    }

    /** @return array<string, mixed> */
    private function section(Section $s): array
    {
        return [
            'id' => $s->id, 'name' => $s->name, 'from_m' => $s->from_m, 'to_m' => $s->to_m,
            'tests' => $s->tests->map(LineRow::test(...))->all(),
        ];
    }
}
