<?php

namespace App\Http\Controllers;

use App\Actions\AddJoints;
use App\Actions\AddStretch;
use App\Actions\ChangeLine;
use App\Actions\CreateLine;
use App\Actions\FindNear;
use App\Actions\ListLines;
use App\Actions\PlanSection;
use App\Actions\PreviewLine;
use App\Actions\ReadCentreLine;
use App\Actions\ReadDayLog;
use App\Http\Requests\LineChange;
use App\Http\Requests\LinePreview;
use App\Http\Requests\NearPlace;
use App\Http\Requests\NewJoint;
use App\Http\Requests\NewLine;
use App\Http\Requests\NewSection;
use App\Http\Requests\NewStretch;
use App\Http\Requests\TextFile;
use App\Http\Resources\LinePage;
use App\Http\Resources\LineRow;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Project;
use App\Models\Section;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final class LineController extends Controller
{
    public function index(Request $request, ListLines $list): JsonResponse
    {
        return new JsonResponse($list($this->user($request)->projects));
    }

    public function store(NewLine $request, CreateLine $create): JsonResponse
    {
        $project = Project::query()->findOrFail($request->integer('project_id'));
        $line = $create($project, $request->who(), $request->validated());

        return new JsonResponse(LinePage::of($line, $request->who()), 201);
    }

    public function preview(LinePreview $request, PreviewLine $preview): JsonResponse
    {
        return new JsonResponse($preview($request->validated()));
    }

    public function show(Request $request, Line $line): JsonResponse
    {
        $this->member($request, $line);

        return new JsonResponse(LinePage::of($line, $this->user($request)));
    }

    public function change(LineChange $request, Line $line, ChangeLine $change): JsonResponse
    {
        $changed = $change($line, $request->who(), $this->member($request, $line), $request->body());

        return new JsonResponse(LinePage::of($changed, $request->who()));
    }

    public function near(NearPlace $request, Line $line, FindNear $find): JsonResponse
    {
        [$at, $off] = $request->place();

        return new JsonResponse($find($line, $at) + ['off_m' => $off === null ? null : round($off, 3)]);
    }

    public function log(Request $request, Line $line, ReadDayLog $read): JsonResponse
    {
        $this->member($request, $line);

        return new JsonResponse($read($line));
    }

    public function addSection(NewSection $request, Line $line): JsonResponse
    {
        CreateLine::addSection($line, $request->validated());

        return new JsonResponse(LinePage::of($line->refresh(), $request->who()), 201);
    }

    /** What the plan would say of a section of this line, with the joints and pipes that are there. */
    public function previewSection(NewSection $request, Line $line, PlanSection $plan): JsonResponse
    {
        $body = $request->validated();
        $section = CreateLine::planned($line, $body);

        return new JsonResponse(['name' => $body['name'], 'plan' => $plan->plan($section), 'fault' => null]);
    }

    public function addJoints(NewJoint $request, Line $line, AddJoints $add): JsonResponse
    {
        $body = $request->body();
        // Restraints come with the work and are added by anybody; whatever else is named, it is no restraint by its name.
        if ($add->procedure($line, $body['procedure_hash'])->place() !== 'restraint') {
            Gate::authorize('addJoint', $line);
        }

        return new JsonResponse(array_map(fn (Joint $j) => LineRow::joint($j->refresh()), $add($line, $body)), 201);
    }

    public function addStretch(NewStretch $request, Line $line, AddStretch $add): JsonResponse
    {
        return new JsonResponse(LineRow::stretch($add($line, $request->who(), $request->body())), 201);
    }

    public function readCentreLine(TextFile $request, ReadCentreLine $read): JsonResponse
    {
        return new JsonResponse(['points' => $read($request->text())]);
    }
}
