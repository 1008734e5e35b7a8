<?php

namespace App\Http\Controllers;

use App\Actions\KeepPhoto;
use App\Actions\RecordFact;
use App\Http\Resources\FactRow;
use App\Http\Resources\LineRow;
use App\Http\Resources\SubjectPage;
use App\Models\Photo;
use App\Models\Subject;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;
use OpenApi\Attributes as OA;

/** Whatever carries facts, addressed in one way: a joint, a test, a stretch of the line. */
final class SubjectController extends Controller
{
    private const FACT = [
        'id' => 'required|uuid', 'step' => 'required|string|max:64', 'value' => 'required|array', 'recorded_at' => 'required|string|max:40',
        'supersedes' => 'nullable|uuid', 'reason' => 'nullable|string|max:500',
    ];

    private const PHOTO = ['id' => 'required|uuid', 'step' => 'required|string|max:64', 'taken_at' => 'required|string|max:40', 'file' => 'required|file|max:16384'];

    #[OA\Get(path: '/subjects/{kind}/{subject}', summary: 'A joint, a test or a stretch with its facts and judgement', tags: ['subjects'], parameters: [
        new OA\Parameter(name: 'kind', in: 'path', required: true, schema: new OA\Schema(type: 'string', enum: ['joint', 'test', 'stretch'])),
        new OA\Parameter(name: 'subject', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'The subject', content: new OA\JsonContent(ref: '#/components/schemas/Subject'))])]
    public function show(Request $request, string $kind, Subject $subject): JsonResponse
    {
        $this->member($request, $subject->line());

        return new JsonResponse(['judgement' => $this->judgement($request, $subject, $subject->judgement())] + SubjectPage::of($subject));
    }

    #[OA\Post(path: '/subjects/{kind}/{subject}/facts', summary: 'Record a fact; the same id twice is stored once', tags: ['subjects'], parameters: [
        new OA\Parameter(name: 'kind', in: 'path', required: true, schema: new OA\Schema(type: 'string', enum: ['joint', 'test', 'stretch'])),
        new OA\Parameter(name: 'subject', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewFact')), responses: [
        new OA\Response(response: 201, description: 'Stored and judged', content: new OA\JsonContent(ref: '#/components/schemas/Recorded')),
        new OA\Response(response: 200, description: 'Was stored already', content: new OA\JsonContent(ref: '#/components/schemas/Recorded')),
        new OA\Response(response: 409, description: 'Contradicts what is recorded', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function record(Request $request, string $kind, Subject $subject, RecordFact $record): JsonResponse
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

    #[OA\Post(path: '/subjects/{kind}/{subject}/photos', summary: 'Keep a picture of a step; the same id twice is kept once', tags: ['subjects'], parameters: [
        new OA\Parameter(name: 'kind', in: 'path', required: true, schema: new OA\Schema(type: 'string', enum: ['joint', 'test', 'stretch'])),
        new OA\Parameter(name: 'subject', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['id', 'step', 'taken_at', 'file'], properties: [
        new OA\Property(property: 'id', type: 'string'), new OA\Property(property: 'step', type: 'string'),
        new OA\Property(property: 'taken_at', type: 'string'), new OA\Property(property: 'file', type: 'string', format: 'binary'),
    ]))), responses: [
        new OA\Response(response: 201, description: 'Kept', content: new OA\JsonContent(ref: '#/components/schemas/Photo')),
        new OA\Response(response: 422, description: 'No picture', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function keepPhoto(Request $request, string $kind, Subject $subject, KeepPhoto $keep): JsonResponse
    {
        $this->mustBeTheirs($request);
        $this->member($request, $subject->line());
        $body = $request->validate(self::PHOTO);
        $photo = $keep($subject, $this->user($request), $body['id'], $body['step'], $body['taken_at'], $request->file('file'));

        return new JsonResponse($photo->only(['id', 'step', 'taken_at', 'width', 'height']) + ['by' => $photo->user->name], 201);
    }

    /** Devices that were away bring along the address that they knew; method and body go with them. */
    #[OA\Post(path: '/{before}/{id}/{what}', summary: 'The address that devices knew formerly: leads on to the one of today', deprecated: true, tags: ['subjects'], parameters: [
        new OA\Parameter(name: 'before', in: 'path', required: true, schema: new OA\Schema(type: 'string', enum: ['joints', 'tests'])),
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'what', in: 'path', required: true, schema: new OA\Schema(type: 'string', enum: ['facts', 'photos'])),
    ], responses: [new OA\Response(response: 308, description: 'There, with method and body')])]
    public function moved(string $before, string $id, string $what): RedirectResponse
    {
        $kind = ['joints' => 'joint', 'tests' => 'test'][$before];

        return new RedirectResponse("/api/v1/subjects/{$kind}/{$id}/{$what}", 308);
    }

    #[OA\Get(path: '/photos/{photo}', summary: 'A picture', tags: ['subjects'], parameters: [new OA\Parameter(name: 'photo', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'JPEG')])]
    public function photo(Request $request, Photo $photo): Response
    {
        $subject = $photo->subject;
        $subject instanceof Subject || abort(404);
        $this->member($request, $subject->line());
        $bytes = Storage::get(Photo::path($photo->id)) ?? abort(404);

        return new Response($bytes, 200, ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, max-age=31536000, immutable', 'X-Content-Type-Options' => 'nosniff']);
    }
}
