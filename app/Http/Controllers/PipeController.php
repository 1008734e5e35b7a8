<?php

namespace App\Http\Controllers;

use App\Actions\KeepPipe;
use App\Actions\SayOfPipe;
use App\Http\Resources\PipeRow;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final class PipeController extends Controller
{
    private const SIZE = [
        'serial' => 'nullable|string|max:120',
        'source' => 'nullable|string|max:120',
        'length_m' => 'nullable|numeric|between:0.05,30',
        'material' => 'nullable|in:PE100,PVC-U',
        'series' => 'nullable|in:metric,ips,dips',
        'nominal' => 'nullable|numeric|between:0.1,3000',
        'sdr' => 'nullable|numeric|between:5,51',
        'wall_mm' => 'nullable|numeric|between:0.5,200',
    ];

    public function index(Request $request, Line $line): JsonResponse
    {
        $this->member($request, $line);
        $joints = [];
        foreach (
            Joint::query()
                ->where('line_id', $line->id)
                ->where('state', '!=', 'cut-out')
                ->orderBy('chainage_m')
                ->toBase()
                ->get(['number', 'pipe_a_id', 'pipe_b_id']) as $joint
        ) {
            foreach (array_filter([$joint->pipe_a_id, $joint->pipe_b_id]) as $id) {
                $joints[$id][] = $joint->number;
            }
        }
        $pipes = Pipe::query()->where('line_id', $line->id)->with('words.user')->orderByRaw('LENGTH(plain), plain')->get();

        return new JsonResponse($pipes->map(fn (Pipe $pipe) => PipeRow::of($pipe, $joints[$pipe->id] ?? []))->all());
    }

    public function store(Request $request, Line $line, KeepPipe $keep): JsonResponse
    {
        $this->member($request, $line);
        Gate::authorize('addJoint', $line);

        return new JsonResponse(
            PipeRow::of($keep->add($line, $this->user($request), $request->validate(['number' => 'required|string|max:60'] + self::SIZE))),
            201,
        );
    }

    public function update(Request $request, Pipe $pipe, KeepPipe $keep): JsonResponse
    {
        $line = Line::query()->findOrFail($pipe->line_id);
        $this->member($request, $line);
        Gate::authorize('addJoint', $line);

        return new JsonResponse(PipeRow::of($keep->change($pipe, $line, $this->user($request), $request->validate(self::SIZE))));
    }

    public function say(Request $request, Pipe $pipe, SayOfPipe $say): JsonResponse
    {
        $line = Line::query()->findOrFail($pipe->line_id);
        $this->member($request, $line);
        $body = $request->validate(['rejected' => 'required|boolean', 'reason' => 'required|string|min:3|max:500']);
        // Whoever sees a crack rejects the pipe; that it is sound after all is said by who answers for the line.
        if (! $body['rejected']) {
            Gate::authorize('addJoint', $line);
        }

        return new JsonResponse(PipeRow::of($say($pipe, $this->user($request), (bool) $body['rejected'], trim($body['reason']))), 201);
    }
}
