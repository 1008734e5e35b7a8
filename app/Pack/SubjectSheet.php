<?php

namespace App\Pack;

use App\Http\Resources\ContestedRow;
use App\Models\Joint;
use App\Models\Seal;
use App\Models\Stretch;
use App\Models\Subject;
use App\Support\Say;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\UnitSystem;

/** What a record book says of a joint or of another record of the line: how it stands, all that was recorded, its pictures, its seal. */
final readonly class SubjectSheet
{
    private \DateTimeZone $zone;

    public function __construct(private UnitSystem $units, private Pictures $pictures, string $zone)
    {
        $this->zone = new \DateTimeZone($zone);
    }

    /** @return array<string, mixed> what the view wants */
    public function of(Subject $subject): array
    {
        $words = new Words($this->units, $this->zone);
        $judgement = $subject->judgement();
        $judged = $judgement->toArray($this->units, $this->zone);
        $seal = Seal::query()->where('subject_id', $subject->id)->first();
        $procedure = $judgement->procedure;
        $title = fn (string $key): string => $procedure->step($key)?->title($subject->context()) ?? $key;

        return [
            'name' => $subject->name(),
            'procedure' => Say::text('pack.methodVersion', ['title' => $procedure->title, 'version' => $procedure->version]),
            'where' => $this->where($subject, $words),
            // Of what nobody has begun nothing is judged.
            'verdict' => $subject->done === 0 ? null : $judgement->verdict->value,
            'reasons' => $subject->done === 0 ? [] : $judged['reasons'],
            'entries' => (new Entries($subject, $judgement, $words))->all(),
            'contested' => ContestedRow::of($subject, $this->units),
            'pictures' => $this->pictures->of($subject, $title),
            'seal' => $seal === null ? null : Say::text('pack.sealOf', [
                'at' => $words->moment("{$seal->sealed_at}Z"), 'hash' => Head::inGroups(substr($seal->hash, 0, 32)),
            ]),
            'alone' => $seal?->sayAlone(),
        ];
    }

    /** @return list<string> where it lies, between what, and what became of it */
    private function where(Subject $subject, Words $words): array
    {
        return match (true) {
            $subject instanceof Joint => $this->ofJoint($subject, $words),
            $subject instanceof Stretch && $subject->to_m !== null => [
                Say::text('pack.fromTo', ['from' => $this->length($subject->from_m), 'to' => $this->length($subject->to_m)]),
            ],
            $subject instanceof Stretch => [Say::text('pack.at', ['place' => $this->length($subject->from_m)])],
            default => [],
        };
    }

    /** @return list<string> */
    private function ofJoint(Joint $joint, Words $words): array
    {
        $pipes = array_filter([$joint->pipes['a'] ?? '', $joint->pipes['b'] ?? '']);
        $replaces = $joint->replaces_id === null ? null : Joint::query()->find($joint->replaces_id);
        $reason = $joint->cut_out_reason ?? '';

        return array_values(array_filter([
            Say::text('pack.at', ['place' => $this->length($joint->chainage_m)]),
            $pipes === [] ? null : Say::text('pack.between', ['pipes' => implode(' – ', $pipes)]),
            $replaces === null ? null : Say::text('pack.inPlaceOf', ['name' => $replaces->name()]),
            match (true) {
                $joint->pulled_apart => Say::text('pack.pulledApart', ['reason' => $reason]),
                $joint->cut_out_at !== null => Say::text('pack.cutOut', [
                    'at' => $words->moment($joint->cut_out_at->toIso8601String()), 'reason' => $reason,
                ]),
                default => null,
            },
            $joint->bare_at === null ? null : Say::text('pack.bareSince', ['at' => $words->moment($joint->bare_at)]),
            $joint->covered_at === null ? null : Say::text('pack.coveredSince', ['at' => $words->moment($joint->covered_at)]),
        ]));
    }

    private function length(float $m): string
    {
        return Display::value('x_m', $m, 1, $this->units);
    }
}
