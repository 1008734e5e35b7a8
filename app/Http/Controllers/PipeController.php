<?php

namespace App\Http\Controllers;

use App\Actions\KeepPipe;
use App\Actions\SayOfPipe;
use App\Http\Requests\NewPipe;
use App\Http\Requests\PipeChange;
use App\Http\Requests\SaidOfPipe;
use App\Http\Resources\PipeRow;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final class PipeController extends Controller
{
    public function index(Request $request, Line $line): JsonResponse
    {
        $this->member($request, $line);
        $joints = [];
        $standing = Joint::query()->where('line_id', $line->id)->where('state', '!=', 'cut-out')->orderBy('chainage_m');
        foreach ($standing->toBase()->get(['number', 'pipe_a_id', 'pipe_b_id']) as $joint) {
            foreach (array_filter([$joint->pipe_a_id, $joint->pipe_b_id]) as $id) {
                $joints[$id][] = $joint->number;
            }
        }
        $pipes = Pipe::query()->where('line_id', $line->id)->with('words.user')->orderByRaw('LENGTH(plain), plain')->get();

        return new JsonResponse($pipes->map(fn (Pipe $pipe) => PipeRow::of($pipe, $joints[$pipe->id] ?? []))->all());
    }

    public function store(NewPipe $request, Line $line, KeepPipe $keep): JsonResponse
    {
        return new JsonResponse(PipeRow::of($keep->add($line, $request->who(), $request->validated())), 201);
    }

    public function update(PipeChange $request, Pipe $pipe, KeepPipe $keep): JsonResponse
    {
        return new JsonResponse(PipeRow::of($keep->change($pipe, $request->line(), $request->who(), $request->validated())));
    }

    public function say(SaidOfPipe $request, Pipe $pipe, SayOfPipe $say): JsonResponse
    {
        // Whoever sees a crack rejects the pipe; that it is sound after all is said by who answers for the line.
        if (! $request->rejected()) {
            Gate::authorize('addJoint', $request->line());
        }

        return new JsonResponse(PipeRow::of($say($pipe, $request->who(), $request->rejected(), $request->reason())), 201);
    }
}
