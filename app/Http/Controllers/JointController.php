<?php

namespace App\Http\Controllers;

use App\Actions\CutOutJoint;
use App\Actions\JudgeSubject;
use App\Actions\KeepPhoto;
use App\Actions\RecordFact;
use App\Http\Resources\FactRow;
use App\Http\Resources\LineRow;
use App\Models\Joint;
use App\Models\Photo;
use App\Models\PressureTest;
use App\Models\Seal;
use App\Models\Subject;
use Diastoma\Core\Procedure\Tells\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Storage;
use OpenApi\Attributes as OA;

final class JointController extends Controller
{
    private const FACT = [
        'id' => 'required|uuid', 'step' => 'required|string|max:64', 'value' => 'required|array', 'recorded_at' => 'required|string|max:40',
        'supersedes' => 'nullable|uuid', 'reason' => 'nullable|string|max:500',
    ];

    #[OA\Get(path: '/joints/{joint}', summary: 'A joint with its facts and judgement', tags: ['joints'], parameters: [new OA\Parameter(name: 'joint', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The joint', content: new OA\JsonContent(ref: '#/components/schemas/Subject'))])]
    public function show(Request $request, Joint $joint): JsonResponse
    {
        $this->member($request, $joint->line());

        return new JsonResponse($this->about($request, $joint) + [
            'number' => $joint->number, 'chainage_m' => $joint->chainage_m, 'place' => $joint->place, 'pipes' => $joint->pipes, 'cut_out_reason' => $joint->cut_out_reason,
            'host' => $joint->host_id === null ? null : Joint::query()->find($joint->host_id)?->only(['id', 'number']),
            'attached' => Joint::query()->where('host_id', $joint->id)->orderBy('number')->get()->map(fn (Joint $j) => $j->only(['id', 'number', 'side', 'state', 'verdict']) + ['free_from' => $j->clocks[Clock::PULL] ?? null])->all(),
            'replaces' => $joint->replaces_id === null ? null : Joint::query()->find($joint->replaces_id)?->only(['id', 'number']),
            'replaced_by' => Joint::query()->where('replaces_id', $joint->id)->orderBy('number')->get()->map->only(['id', 'number'])->all(),
        ]);
    }

    #[OA\Get(path: '/tests/{test}', summary: 'A pressure test with its facts and judgement', tags: ['tests'], parameters: [new OA\Parameter(name: 'test', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The test', content: new OA\JsonContent(ref: '#/components/schemas/Subject'))])]
    public function showTest(Request $request, PressureTest $test): JsonResponse
    {
        $this->member($request, $test->line());

        return new JsonResponse($this->about($request, $test) + [
            'number' => (string) $test->number, 'section' => $test->section->only(['id', 'name', 'from_m', 'to_m']),
        ]);
    }

    #[OA\Post(path: '/joints/{joint}/facts', summary: 'Record a fact; the same id twice is stored once', tags: ['joints'], parameters: [new OA\Parameter(name: 'joint', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewFact')), responses: [new OA\Response(response: 201, description: 'Stored and judged', content: new OA\JsonContent(ref: '#/components/schemas/Recorded')), new OA\Response(response: 200, description: 'Was stored already', content: new OA\JsonContent(ref: '#/components/schemas/Recorded')), new OA\Response(response: 409, description: 'Contradicts what is recorded', content: new OA\JsonContent(ref: '#/components/schemas/Problem')), new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem'))])]
    public function record(Request $request, Joint $joint, RecordFact $record): JsonResponse
    {
        return $this->recordOn($request, $joint, $record);
    }

    #[OA\Post(path: '/tests/{test}/facts', summary: 'Record a fact of a test', tags: ['tests'], parameters: [new OA\Parameter(name: 'test', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewFact')), responses: [new OA\Response(response: 201, description: 'Stored and judged', content: new OA\JsonContent(ref: '#/components/schemas/Recorded'))])]
    public function recordTest(Request $request, PressureTest $test, RecordFact $record): JsonResponse
    {
        return $this->recordOn($request, $test, $record);
    }

    #[OA\Post(path: '/joints/{joint}/cut-out', summary: 'Cut a joint out; two new ones take its place', tags: ['joints'], parameters: [new OA\Parameter(name: 'joint', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(required: ['reason'], properties: [new OA\Property(property: 'reason', type: 'string'), new OA\Property(property: 'piece_m', type: 'number')])), responses: [new OA\Response(response: 201, description: 'The two new joints', content: new OA\JsonContent(type: 'array', items: new OA\Items(properties: [new OA\Property(property: 'id', type: 'string'), new OA\Property(property: 'number', type: 'string')])))])]
    public function cutOut(Request $request, Joint $joint, CutOutJoint $cutOut, JudgeSubject $judge): JsonResponse
    {
        $this->member($request, $joint->line());
        Gate::authorize('cutOut', $joint->line());
        $body = $request->validate(['reason' => 'required|string|min:3|max:500', 'piece_m' => 'nullable|numeric|between:0.2,20']);
        $new = $cutOut($joint, $this->user($request), $body['reason'], isset($body['piece_m']) ? (float) $body['piece_m'] : null);
        array_map(fn (Joint $j) => $judge($j), $new);

        return new JsonResponse(array_map(fn (Joint $j) => $j->only(['id', 'number']), $new), 201);
    }

    #[OA\Post(path: '/joints/{joint}/photos', summary: 'Keep a picture of a step; the same id twice is kept once', tags: ['joints'], parameters: [new OA\Parameter(name: 'joint', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['id', 'step', 'taken_at', 'file'], properties: [new OA\Property(property: 'id', type: 'string'), new OA\Property(property: 'step', type: 'string'), new OA\Property(property: 'taken_at', type: 'string'), new OA\Property(property: 'file', type: 'string', format: 'binary')]))), responses: [new OA\Response(response: 201, description: 'Kept', content: new OA\JsonContent(ref: '#/components/schemas/Photo')), new OA\Response(response: 422, description: 'No picture', content: new OA\JsonContent(ref: '#/components/schemas/Problem'))])]
    public function keepPhoto(Request $request, Joint $joint, KeepPhoto $keep): JsonResponse
    {
        return $this->keepOn($request, $joint, $keep);
    }

    #[OA\Post(path: '/tests/{test}/photos', summary: 'Keep a picture of a step of a test', tags: ['tests'], parameters: [new OA\Parameter(name: 'test', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 201, description: 'Kept', content: new OA\JsonContent(ref: '#/components/schemas/Photo'))])]
    public function keepTestPhoto(Request $request, PressureTest $test, KeepPhoto $keep): JsonResponse
    {
        return $this->keepOn($request, $test, $keep);
    }

    #[OA\Get(path: '/photos/{photo}', summary: 'A picture', tags: ['joints'], parameters: [new OA\Parameter(name: 'photo', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'JPEG')])]
    public function photo(Request $request, Photo $photo): Response
    {
        $subject = $photo->subject;
        $subject instanceof Subject || abort(404);
        $this->member($request, $subject->line());
        $bytes = Storage::get(Photo::path($photo->id)) ?? abort(404);

        return new Response($bytes, 200, ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, max-age=31536000, immutable', 'X-Content-Type-Options' => 'nosniff']);
    }

    private function keepOn(Request $request, Subject $subject, KeepPhoto $keep): JsonResponse
    {
        $this->mustBeTheirs($request);
        $this->member($request, $subject->line());
        $body = $request->validate(['id' => 'required|uuid', 'step' => 'required|string|max:64', 'taken_at' => 'required|string|max:40', 'file' => 'required|file|max:16384']);
        $photo = $keep($subject, $this->user($request), $body['id'], $body['step'], $body['taken_at'], $request->file('file'));

        return new JsonResponse($photo->only(['id', 'step', 'taken_at', 'width', 'height']) + ['by' => $photo->user->name], 201);
    }

    private function recordOn(Request $request, Subject $subject, RecordFact $record): JsonResponse
    {
        $this->mustBeTheirs($request);
        $role = $this->member($request, $subject->line());
        $body = $request->validate(self::FACT);
        // Laravel trims and nulls strings; the fact is what came.
        $body['value'] = $request->json('value');
        $done = $record($subject, $this->user($request), $role, $body);

        return new JsonResponse([
            'judgement' => $this->judgement($request, $done->subject, $done->judgement), 'state' => $done->subject->state, 'stored' => $done->stored,
            'fact' => FactRow::of($done->fact), 'facts' => $done->subject->recorded()->count(), 'closed' => $done->subject->closed(),
            'line_id' => $done->subject->line()->id, 'rows' => array_map(LineRow::of(...), $done->changed),
        ], $done->stored ? 201 : 200);
    }

    /** @return array<string, mixed> */
    private function about(Request $request, Subject $subject): array
    {
        $line = $subject->line();
        $seal = Seal::query()->where('subject_id', $subject->id)->first();

        return [
            'judgement' => $this->judgement($request, $subject, $subject->judgement()),
            'id' => $subject->id, 'state' => $subject->state, 'context' => $subject->context(), 'photos' => $subject->photos()->with('user')->get()->map(fn (Photo $p) => $p->only(['id', 'step', 'taken_at', 'width', 'height']) + ['by' => $p->user->name])->all(), 'facts' => $subject->recorded()->map(FactRow::of(...))->values()->all(), 'procedure_hash' => $subject->procedure()->hash,
            'line' => ['id' => $line->id, 'project_id' => $line->project_id, 'name' => $line->name, 'service' => $line->service, 'time_zone' => $line->project->time_zone],
            'closed' => $subject->closed(), 'seal' => $seal?->only(['hash', 'previous', 'sealed_at', 'verdict']),
        ];
    }
}
