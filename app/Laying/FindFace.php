<?php

namespace App\Laying;

use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Photo;
use Illuminate\Database\Eloquent\Collection;

/** Looks how far a line is laid: the joints of which anything was recorded, and those that are only planned. */
final class FindFace
{
    /** @param  bool  $hold  joints are held until the transaction ends: who records at one meanwhile waits, and finds it gone or begun */
    public function __invoke(Line $line, bool $hold = false): Face
    {
        $joints = Joint::query()
            ->where('line_id', $line->id)
            ->where('place', 'in-line')
            ->orderBy('chainage_m')
            ->orderBy('number')
            ->when($hold, fn ($query) => $query->lockForUpdate())
            ->get();
        $begun = $this->begun($joints);
        $face = $joints->last(fn (Joint $joint) => isset($begun[$joint->id]));
        $pipe = $face?->pipeOf('b');
        $start = $line->centre_line[0][0];

        return new Face(
            $face,
            $pipe,
            $face === null ? $start : $face->chainage_m + ($pipe->length_m ?? $line->pipe_length_m),
            $joints->filter(fn (Joint $joint) => $face === null || $joint->chainage_m > $face->chainage_m),
        );
    }

    /**
     * @param  Collection<int, Joint>  $joints
     * @return array<string, true> those at which anything was recorded, or that stand for another one, or carry one
     */
    private function begun(Collection $joints): array
    {
        $ids = $joints->modelKeys();
        $type = (new Joint)->getMorphClass();

        return array_fill_keys([
            ...$joints->filter(fn (Joint $j) => $j->state !== 'planned' || $j->replaces_id !== null)->modelKeys(),
            ...Fact::query()->where('subject_type', $type)->whereIn('subject_id', $ids)->distinct()->pluck('subject_id')->all(),
            ...Photo::query()->where('subject_type', $type)->whereIn('subject_id', $ids)->distinct()->pluck('subject_id')->all(),
            ...Joint::query()->whereIn('host_id', $ids)->distinct()->pluck('host_id')->all(),
        ], true);
    }
}
