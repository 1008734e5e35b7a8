<?php

namespace App\Actions;

use App\Models\Project;
use App\Models\StoreItem;
use App\Models\User;
use App\Support\Conflict;
use App\Support\Say;
use Diastoma\Core\Refused;
use Diastoma\Core\Stores\StoreKind;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Puts a thing into the stores, or what is newly known of it in the place of what was known. Nothing is overwritten. */
final class KeepStoreItem
{
    /**
     * @param  array{
     *     id: string, kind: string, name: string, values: array<string, mixed>,
     *     supersedes?: string|null, reason?: string|null, retired?: bool|null
     * }  $body
     */
    public function __invoke(Project $project, User $by, array $body): StoreItem
    {
        return DB::transaction(function () use ($project, $by, $body): StoreItem {
            // One after the other: what comes twice at the same moment is known the second time.
            Project::query()->lockForUpdate()->findOrFail($project->id);
            $known = StoreItem::query()->find($body['id']);
            if ($known !== null) {
                return $known->project_id === $project->id
                    ? $known
                    : throw new Conflict('id', Say::text('refused.thingIdTaken'));
            }
            $before = isset($body['supersedes'])
                ? StoreItem::query()->lockForUpdate()->where('project_id', $project->id)->find($body['supersedes'])
                : null;
            if (isset($body['supersedes'])) {
                if ($before === null || $before->kind !== $body['kind']) {
                    throw Refused::field('supersedes', Say::text('refused.supersedesNothing'));
                }
                if (StoreItem::query()->where('supersedes', $before->id)->exists()) {
                    throw new Conflict('supersedes', Say::text('refused.thingChangedMeanwhile', ['name' => $before->name]));
                }
                if (trim((string) ($body['reason'] ?? '')) === '') {
                    throw Refused::field('reason', Say::text('refused.whatHasChanged'));
                }
            }
            $twin = StoreItem::inStores()->where('project_id', $project->id)->where('kind', $body['kind'])->where('name', $body['name'])
                ->when($before !== null, fn ($q) => $q->where('thing_id', '!=', $before?->thing_id))->exists();
            if ($twin) {
                throw Refused::field('name', Say::text('refused.inStoresAlready', ['name' => $body['name']]));
            }

            return StoreItem::query()->create([
                'id' => $body['id'],
                'project_id' => $project->id,
                'thing_id' => $before->thing_id ?? (string) Str::uuid(),
                'kind' => $body['kind'],
                'name' => $body['name'],
                'values' => StoreKind::of($body['kind'])->checked($body['values']),
                'supersedes' => $before?->id,
                'reason' => $body['reason'] ?? null,
                'retired' => $body['retired'] ?? false,
                'user_id' => $by->id,
                'created_at' => now(),
            ]);
        });
    }
}
