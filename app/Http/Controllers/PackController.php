<?php

namespace App\Http\Controllers;

use App\Actions\AskForPack;
use App\Http\Resources\PackRow;
use App\Models\Line;
use App\Models\Pack;
use App\Models\PackKind;
use App\Models\PackState;
use App\Models\PressureTest;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Files that are made in the background: asked for, looked after, taken. */
final class PackController extends Controller
{
    private const MOST = 30;

    public function index(Request $request, Line $line): JsonResponse
    {
        $this->member($request, $line);
        $packs = Pack::query()
            ->with('user')
            ->where('line_id', $line->id)
            ->where('units', $this->user($request)->units->value)
            ->orderByDesc('asked_at')
            ->limit(self::MOST)
            ->get();

        return new JsonResponse($packs->map(PackRow::of(...))->all());
    }

    public function ask(Request $request, Line $line, AskForPack $ask): JsonResponse
    {
        $this->member($request, $line);
        $kind = $request->input('kind');
        $known = [PackKind::RecordBook->value, PackKind::Archive->value];
        if (! \in_array($kind, $known, true)) {
            throw Refused::field('kind', Say::text('refused.noSuchPack', ['known' => implode(', ', $known)]));
        }

        return $this->asked($ask(PackKind::from($kind), $line, null, $this->user($request)));
    }

    public function askForTest(Request $request, PressureTest $test, AskForPack $ask): JsonResponse
    {
        $this->member($request, $test->line());

        return $this->asked($ask(PackKind::TestPack, $test->line(), $test, $this->user($request)));
    }

    public function file(Request $request, Pack $pack): BinaryFileResponse
    {
        $this->member($request, $pack->line);
        if ($pack->state !== PackState::Ready || ! Storage::exists($pack->path())) {
            throw new NotFoundHttpException;
        }

        return response()->download(Storage::path($pack->path()), $pack->fileName(), ['Content-Type' => $pack->kind->mediaType()]);
    }

    private function asked(Pack $pack): JsonResponse
    {
        return new JsonResponse(PackRow::of($pack->load('user')), $pack->wasRecentlyCreated ? 201 : 200);
    }
}
