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

/** Whatever carries facts, addressed in one way: a joint, a test, a stretch of the line. */
final class SubjectController extends Controller
{
    private const FACT = [
        'id' => 'required|uuid', 'step' => 'required|string|max:64', 'value' => 'required|array', 'recorded_at' => 'required|string|max:40',
        'supersedes' => 'nullable|uuid', 'reason' => 'nullable|string|max:500',
    ];

    private const PHOTO = [
        'id' => 'required|uuid',
        'step' => 'required|string|max:64',
        'taken_at' => 'required|string|max:40',
        'file' => 'required|file|max:16384',
    ];

    public function show(Request $request, string $kind, Subject $subject): JsonResponse
    {
        $this->member($request, $subject->line());

        return new JsonResponse(['judgement' => $this->judgement($request, $subject, $subject->judgement())] + SubjectPage::of($subject));
    }

    public function record(Request $request, string $kind, Subject $subject, RecordFact $record): JsonResponse
    {
        $this->mustBeTheirs($request);
        $role = $this->member($request, $subject->line());
        $body = $request->validate(self::FACT);
        // Laravel trims and nulls strings; the fact is what came.
        $body['value'] = $request->json('value');
        $done = $record($subject, $this->user($request), $role, $body);

        return new JsonResponse(
            [
                'judgement' => $this->judgement($request, $done->subject, $done->judgement),
                'state' => $done->subject->state,
                'stored' => $done->stored,
                'fact' => FactRow::of($done->fact),
                'facts' => $done->subject->recorded()->count(),
                'closed' => $done->subject->closed(),
                'line_id' => $done->subject->line()->id,
                'rows' => array_map(LineRow::of(...), $done->changed),
            ],
            $done->stored ? 201 : 200,
        );
    }

    public function keepPhoto(Request $request, string $kind, Subject $subject, KeepPhoto $keep): JsonResponse
    {
        $this->mustBeTheirs($request);
        $this->member($request, $subject->line());
        $body = $request->validate(self::PHOTO);
        $photo = $keep($subject, $this->user($request), $body['id'], $body['step'], $body['taken_at'], $request->file('file'));

        return new JsonResponse($photo->only(['id', 'step', 'taken_at', 'width', 'height']) + ['by' => $photo->user->name], 201);
    }

    /** Devices that were away bring along the address that they knew; method and body go with them. */
    public function moved(string $before, string $id, string $what): RedirectResponse
    {
        $kind = ['joints' => 'joint', 'tests' => 'test'][$before];

        return new RedirectResponse("/api/v1/subjects/{$kind}/{$id}/{$what}", 308);
    }

    public function photo(Request $request, Photo $photo): Response
    {
        $subject = $photo->subject;
        $subject instanceof Subject || abort(404);
        $this->member($request, $subject->line());
        $bytes = Storage::get(Photo::path($photo->id)) ?? abort(404);

        return new Response($bytes, 200, [
            'Content-Type' => 'image/jpeg',
            'Cache-Control' => 'private, max-age=31536000, immutable',
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
