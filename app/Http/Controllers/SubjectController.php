<?php

namespace App\Http\Controllers;

use App\Actions\ConfirmSigner;
use App\Actions\ExportSubject;
use App\Actions\KeepContested;
use App\Actions\KeepPhoto;
use App\Actions\OfferBatches;
use App\Actions\OfferValues;
use App\Actions\OwnWork;
use App\Actions\RecordFact;
use App\Http\Requests\NewFact;
use App\Http\Requests\NewPhoto;
use App\Http\Resources\ContestedRow;
use App\Http\Resources\FactRow;
use App\Http\Resources\LineRow;
use App\Http\Resources\SubjectPage;
use App\Models\Contested;
use App\Models\Photo;
use App\Models\Subject;
use App\Support\Conflict;
use App\Support\DeviceClock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;

/** Whatever carries facts, addressed in one way: a joint, a test, a stretch of the line. */
final class SubjectController extends Controller
{
    public function show(Request $request, string $kind, Subject $subject, OfferValues $offers, OfferBatches $batches): JsonResponse
    {
        $this->member($request, $subject->line());

        return new JsonResponse(
            [
                'judgement' => $this->judgement($request, $subject, $subject->judgement()),
                'offers' => $offers($subject),
                'batches' => $batches($subject),
                'contested' => ContestedRow::of($subject, $this->user($request)->units),
                'own_work' => OwnWork::says($subject, $this->user($request)),
            ] +
                SubjectPage::of($subject),
        );
    }

    public function record(
        NewFact $request,
        string $kind,
        Subject $subject,
        RecordFact $record,
        ConfirmSigner $confirm,
        KeepContested $contest,
    ): JsonResponse {
        $role = $this->member($request, $subject->line());
        $body = $request->body();
        $ahead = DeviceClock::ahead($request, $subject, $body['clock_off_s'] ?? null);
        if ($ahead !== null) {
            $body = ['was_ahead_s' => $ahead, 'clock_off_s' => $ahead] + $body;
        }
        if ($record->seals($subject, $body)) {
            $confirm($request->who(), $request->validated('password'));
        }
        try {
            $done = $record($subject, $request->who(), $role, $body);
        } catch (Conflict $conflict) {
            return $this->contested($contest($subject, $request->who(), $role, $body, $conflict));
        }

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

    /** It is kept, and does not count yet. */
    private function contested(Contested $kept): JsonResponse
    {
        return new JsonResponse(['contested' => ['id' => $kept->id, 'why' => $kept->why, 'counts' => $kept->counts]], 202);
    }

    /** What was judged, to be judged again elsewhere. */
    public function export(Request $request, string $kind, Subject $subject, ExportSubject $export): JsonResponse
    {
        $this->member($request, $subject->line());
        $name = preg_replace('/[^A-Za-z0-9]+/', '-', "{$subject->line()->name}-{$subject->name()}");

        return new JsonResponse(
            $export($subject, new \DateTimeImmutable),
            headers: ['Content-Disposition' => "attachment; filename=\"{$name}.json\""],
            options: JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    public function keepPhoto(NewPhoto $request, string $kind, Subject $subject, KeepPhoto $keep): JsonResponse
    {
        $body = $request->validated();
        $photo = $keep($subject, $request->who(), $body['id'], $body['step'], $body['taken_at'], $request->picture());

        return new JsonResponse($photo->only(['id', 'step', 'taken_at', 'width', 'height', 'late']) + ['by' => $photo->user->name], 201);
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
