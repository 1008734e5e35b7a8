<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Line;
use App\Models\Photo;
use App\Support\Conflict;
use App\Support\Say;
use Illuminate\Support\Facades\DB;

/** Takes a planned joint off the line again. Where anything was recorded, or what hangs on it stands, it stays. */
final class TakeBackJoint
{
    public function __invoke(Joint $joint): void
    {
        DB::transaction(function () use ($joint): void {
            Line::query()->lockForUpdate()->findOrFail($joint->line_id);
            $own = Joint::query()->lockForUpdate()->findOrFail($joint->id);
            $photos = Photo::query()->where('subject_type', $own->getMorphClass())->where('subject_id', $own->id);
            $why = match (true) {
                $own->state !== 'planned' || $own->recorded()->isNotEmpty() || $photos->exists() => 'refused.jointIsBegun',
                $own->replaces_id !== null => 'refused.jointReplaces',
                Joint::query()->where('host_id', $own->id)->exists() => 'refused.jointHasAttached',
                default => null,
            };
            if ($why !== null) {
                throw new Conflict('joint', Say::text($why, ['number' => $own->number]));
            }
            $own->delete();
        }, 3);
    }
}
