<?php

namespace App\Http\Controllers;

use App\Actions\KeepStoreItem;
use App\Models\Project;
use App\Models\StoreItem;
use Diastoma\Core\Stores\StoreKind;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Cards, boxes, tools, sources of power and code layouts, each with the date until which it may be used. */
final class StoreController extends Controller
{
    #[OA\Get(path: '/stores', summary: 'What is in the stores of my projects, and how it stands today', tags: ['stores'], responses: [new OA\Response(response: 200, description: 'Things', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/StoreItem')))])]
    public function index(Request $request): JsonResponse
    {
        $projects = $this->user($request)->projects->pluck('id');
        $items = StoreItem::inStores()->whereIn('project_id', $projects)->with(['user', 'project'])->orderBy('kind')->orderBy('name')->get();

        return new JsonResponse($items->map(fn (StoreItem $i) => $this->item($request, $i))->all());
    }

    #[OA\Get(path: '/stores/kinds', summary: 'Kinds of things that are kept, with what is asked of each', tags: ['stores'], responses: [new OA\Response(response: 200, description: 'Kinds', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/StoreKind')))])]
    public function kinds(): JsonResponse
    {
        return new JsonResponse(array_map(fn (StoreKind $k) => array_intersect_key($k->raw, array_flip(['kind', 'title', 'plural', 'named', 'note', 'fields'])), array_values(StoreKind::all())));
    }

    #[OA\Post(path: '/stores', summary: 'Put a thing into the stores, or what is newly known of it', tags: ['stores'], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewStoreItem')), responses: [new OA\Response(response: 201, description: 'The thing', content: new OA\JsonContent(ref: '#/components/schemas/StoreItem')), new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem'))])]
    public function keep(Request $request, KeepStoreItem $keep): JsonResponse
    {
        $body = $request->validate([
            'id' => 'required|uuid', 'project_id' => 'required|integer', 'kind' => 'required|string|max:40', 'name' => 'required|string|max:120', 'values' => 'present|array',
            'supersedes' => 'nullable|uuid', 'reason' => 'nullable|string|max:500', 'retired' => 'nullable|boolean',
        ]);
        $role = $this->user($request)->roleOn((int) $body['project_id']) ?? abort(404);
        if ($body['kind'] === 'code-layout' && ! $role->mayPlan()) {
            throw new AuthorizationException('Only an engineer enters the layout of a code.');
        }
        $body['values'] = $request->json('values');
        $item = $keep(Project::query()->findOrFail($body['project_id']), $this->user($request), $body);

        return new JsonResponse($this->item($request, $item), 201);
    }

    #[OA\Get(path: '/stores/{item}/history', summary: 'All that was ever known of a thing, newest first', tags: ['stores'], parameters: [new OA\Parameter(name: 'item', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'Entries', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/StoreItem')))])]
    public function history(Request $request, StoreItem $item): JsonResponse
    {
        $this->user($request)->roleOn($item->project_id) ?? abort(404);
        $all = StoreItem::query()->where('thing_id', $item->thing_id)->with(['user', 'project'])->get()->keyBy('id');
        $entries = [];
        // From the newest back by what each stands in the place of: two changes may fall into one second.
        for ($at = $all->except($all->pluck('supersedes')->filter()->all())->first(); $at !== null; $at = $all->get($at->supersedes ?? '')) {
            $entries[] = $this->item($request, $at);
        }

        return new JsonResponse($entries);
    }

    /** @return array<string, mixed> */
    private function item(Request $request, StoreItem $item): array
    {
        $zone = $item->project->time_zone;
        $judgement = $item->ofKind()->judged($item->values, new \DateTimeImmutable, $zone)->toArray($this->user($request)->units, new \DateTimeZone($zone));
        $state = $judgement['steps'][0];

        return $item->only(['id', 'project_id', 'thing_id', 'kind', 'name', 'supersedes', 'reason', 'retired']) + [
            'values' => (object) $item->values, 'snapshot' => $item->snapshot(), 'verdict' => $state['verdict'], 'reasons' => $state['reasons'], 'summary' => $state['summary'],
            'by' => $item->user->name, 'at' => $item->created_at->toIso8601ZuluString(),
        ];
    }
}
