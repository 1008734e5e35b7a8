<?php

namespace App\Http\Controllers;

use App\Actions\KeepStoreItem;
use App\Http\Requests\NewStoreItem;
use App\Models\Project;
use App\Models\StoreItem;
use Diastoma\Core\Stores\StoreKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Cards, boxes, tools, sources of power and code layouts, each with the date until which it may be used. */
final class StoreController extends Controller
{
    public function index(Request $request): JsonResponse
    {
        $projects = $this->user($request)->projects->pluck('id');
        $items = StoreItem::inStores()
            ->whereIn('project_id', $projects)
            ->with(['user', 'project'])
            ->orderBy('kind')
            ->orderBy('name')
            ->get();

        return new JsonResponse($items->map(fn (StoreItem $i) => $this->item($request, $i))->all());
    }

    public function kinds(): JsonResponse
    {
        return new JsonResponse(
            array_map(
                fn (StoreKind $k) => array_intersect_key($k->raw, array_flip(['kind', 'title', 'plural', 'named', 'note', 'fields'])),
                array_values(StoreKind::all()),
            ),
        );
    }

    public function keep(NewStoreItem $request, KeepStoreItem $keep): JsonResponse
    {
        $item = $keep(Project::query()->findOrFail($request->integer('project_id')), $request->who(), $request->body());

        return new JsonResponse($this->item($request, $item), 201);
    }

    public function history(Request $request, StoreItem $item): JsonResponse
    {
        $this->user($request)->roleOn($item->project_id) ?? abort(404);
        $all = StoreItem::query()->where('thing_id', $item->thing_id)->with(['user', 'project'])->get()->keyBy('id');
        $entries = [];
        // From the newest back by what each stands in the place of: two changes may fall into one second.
        for (
            $at = $all->except($all->pluck('supersedes')->filter()->all())->first();
            $at !== null;
            $at = $all->get($at->supersedes ?? '')
        ) {
            $entries[] = $this->item($request, $at);
        }

        return new JsonResponse($entries);
    }

    /** @return array<string, mixed> */
    private function item(Request $request, StoreItem $item): array
    {
        $zone = $item->project->time_zone;
        $judgement = $item
            ->ofKind()
            ->judged($item->values, new \DateTimeImmutable(), $zone)
            ->toArray($this->user($request)->units, new \DateTimeZone($zone));
        $state = $judgement['steps'][0];

        return $item->only(['id', 'project_id', 'thing_id', 'kind', 'name', 'supersedes', 'reason', 'retired']) + [
            'values' => (object) $item->values,
            'snapshot' => $item->snapshot(),
            'verdict' => $state['verdict'],
            'reasons' => $state['reasons'],
            'summary' => $state['summary'],
            'by' => $item->user->name,
            'at' => $item->created_at->toIso8601ZuluString(),
        ];
    }
}
