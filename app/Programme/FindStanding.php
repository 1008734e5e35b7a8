<?php

namespace App\Programme;

use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Section;
use Diastoma\Core\Procedure\Fact as CoreFact;
use Diastoma\Core\Programme\JointMoments;
use Illuminate\Support\Collection;

/** Reads how far a line has come. Of what was recorded the readings of a trace, which may be very many, are not fetched. */
final class FindStanding
{
    public function __invoke(Line $line, ?Section $section): Standing
    {
        $joints = $this->joints($line, $section);
        $begun = $joints->filter(fn (Joint $joint) => $joint->state !== 'planned');
        Joint::readPipes($line, $begun);
        $moments = $this->moments($begun);
        [$joined, $left] = $joints->partition(
            fn (Joint $joint) => isset($moments[$joint->id]) && self::isJoined($joint, $moments[$joint->id]),
        );

        $inLine = fn (Joint $joint): bool => $joint->place === 'in-line';
        [$joined, $hung] = $joined->sortBy(fn (Joint $joint) => $moments[$joint->id]->joinedAt?->getTimestamp() ?? 0, SORT_NUMERIC)
            ->partition($inLine);
        [$left, $toHang] = $left->partition($inLine);
        $anew = $joined->where('verdict', 'bad')->flatMap(fn (Joint $bad): array => InItsPlace::of($bad));

        return new Standing(
            $joined->values(),
            $left->concat($anew)->sortBy([['chainage_m', 'asc'], ['number', 'asc']])->values(),
            $moments,
            $hung->values(),
            $toHang->values(),
        );
    }

    /** @return Collection<int, Joint> that are part of the line today */
    private function joints(Line $line, ?Section $section): Collection
    {
        return Joint::query()
            ->where('line_id', $line->id)
            ->where('state', '!=', 'cut-out')
            ->when($section, fn ($query, Section $within) => $query
                ->where('chainage_m', '>', $within->from_m - 1e-6)
                ->where('chainage_m', '<', $within->to_m + 1e-6))
            ->with('procedureText')
            ->orderBy('chainage_m')
            ->orderBy('number')
            ->get()
            ->each(fn (Joint $joint) => $joint->setRelation('ofLine', $line))
            ->toBase();
    }

    private static function isJoined(Joint $joint, JointMoments $moments): bool
    {
        return $joint->left_face || \in_array($joint->state, ['made', 'accepted'], true)
            || JointMoments::isFused($joint->procedure()) && $moments->joinedAt !== null;
    }

    /**
     * @param  Collection<int, Joint>  $joints
     * @return array<string, JointMoments> by id
     */
    private function moments(Collection $joints): array
    {
        $facts = Fact::query()
            ->select(['seq', 'id', 'subject_id', 'step', 'recorded_at', 'supersedes'])
            ->selectRaw("json_remove(value, '$.samples') as value")
            ->where('subject_type', (new Joint)->getMorphClass())
            ->whereIn('subject_id', $joints->pluck('id')->all())
            ->orderBy('seq')
            ->get()
            ->groupBy('subject_id');

        return $joints->mapWithKeys(fn (Joint $joint): array => [
            $joint->id => JointMoments::of($joint->procedure(), array_values(
                ($facts[$joint->id] ?? new Collection)->map(fn (Fact $fact): CoreFact => new CoreFact(
                    $fact->id, $fact->step, $fact->value, new \DateTimeImmutable($fact->recorded_at), supersedes: $fact->supersedes,
                ))->all(),
            )),
        ])->all();
    }
}
