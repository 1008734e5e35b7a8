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
use OpenApi\Attributes as OA;

final class PipeController extends Controller
{
    private const SIZE = [
        'serial' => 'nullable|string|max:120', 'source' => 'nullable|string|max:120', 'length_m' => 'nullable|numeric|between:0.05,30',
        'material' => 'nullable|in:PE100,PVC-U', 'series' => 'nullable|in:metric,ips,dips', 'nominal' => 'nullable|numeric|between:0.1,3000', 'sdr' => 'nullable|numeric|between:5,51', 'wall_mm' => 'nullable|numeric|between:0.5,200',
    ];

    #[OA\Get(path: '/lines/{line}/pipes', summary: 'The pipes of a line', tags: ['pipes'], parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Pipes', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/LinePipe')))])]
    public function index(Request $request, Line $line): JsonResponse
    {
        $this->member($request, $line);
        $joints = [];
        foreach (Joint::query()->where('line_id', $line->id)->where('state', '!=', 'cut-out')->orderBy('chainage_m')->toBase()->get(['number', 'pipe_a_id', 'pipe_b_id']) as $joint) {
            foreach (array_filter([$joint->pipe_a_id, $joint->pipe_b_id]) as $id) {
                $joints[$id][] = $joint->number;
            }
        }
        $pipes = Pipe::query()->where('line_id', $line->id)->with('words.user')->orderByRaw('LENGTH(plain), plain')->get();

        return new JsonResponse($pipes->map(fn (Pipe $pipe) => PipeRow::of($pipe, $joints[$pipe->id] ?? []))->all());
    }

    #[OA\Post(path: '/lines/{line}/pipes', summary: 'Add a pipe', tags: ['pipes'], parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewPipe')), responses: [new OA\Response(response: 201, description: 'The pipe', content: new OA\JsonContent(ref: '#/components/schemas/LinePipe')), new OA\Response(response: 409, description: 'The number is taken', content: new OA\JsonContent(ref: '#/components/schemas/Problem'))])]
    public function store(Request $request, Line $line, KeepPipe $keep): JsonResponse
    {
        $this->member($request, $line);
        Gate::authorize('addJoint', $line);

        return new JsonResponse(PipeRow::of($keep->add($line, $this->user($request), $request->validate(['number' => 'required|string|max:60'] + self::SIZE))), 201);
    }

    #[OA\Patch(path: '/pipes/{pipe}', summary: 'Say what a pipe is, as long as no joint was begun with it', tags: ['pipes'], parameters: [new OA\Parameter(name: 'pipe', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/PipeChange')), responses: [new OA\Response(response: 200, description: 'The pipe', content: new OA\JsonContent(ref: '#/components/schemas/LinePipe')), new OA\Response(response: 409, description: 'A joint was begun with it', content: new OA\JsonContent(ref: '#/components/schemas/Problem'))])]
    public function update(Request $request, Pipe $pipe, KeepPipe $keep): JsonResponse
    {
        $line = Line::query()->findOrFail($pipe->line_id);
        $this->member($request, $line);
        Gate::authorize('addJoint', $line);

        return new JsonResponse(PipeRow::of($keep->change($pipe, $line, $this->user($request), $request->validate(self::SIZE))));
    }

    #[OA\Post(path: '/pipes/{pipe}/words', summary: 'Reject a pipe, or accept it again', tags: ['pipes'], parameters: [new OA\Parameter(name: 'pipe', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(required: ['rejected', 'reason'], properties: [
        new OA\Property(property: 'rejected', type: 'boolean'), new OA\Property(property: 'reason', type: 'string'),
    ])), responses: [new OA\Response(response: 201, description: 'The pipe', content: new OA\JsonContent(ref: '#/components/schemas/LinePipe'))])]
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
