<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\ProcedureText;
use App\Models\Stretch;
use App\Models\Subject;
use Diastoma\Core\Procedure\FieldSpec;
use Diastoma\Core\Procedure\Offer;
use Diastoma\Core\Procedure\Step;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** What other joints have recorded and this one may take over: the weather of a while ago, the label of a fitting with the same code. */
final class OfferValues
{
    /** So far back in time it is looked, facts of that step. */
    private const LAST = 40;

    /** Of so many different things it is told; a crew has few kinds of fittings at hand. */
    private const THINGS = 8;

    /**
     * @return list<array{
     *     step: string, value: array<string, mixed>, of: string, recorded_at: string,
     *     within_min: float|null, same_step: string|null, same_field: string|null, same: mixed
     * }> the newest first
     */
    public function __invoke(Subject $subject): array
    {
        if ($subject instanceof Stretch) {
            return (new OfferEntries)($subject);
        }
        $found = [];
        foreach ($subject->procedure()->steps as $step) {
            if ($step->offer !== null && $subject instanceof Joint) {
                array_push($found, ...$this->of($step, $step->offer, $subject));
            }
        }

        return $found;
    }

    /**
     * @return list<array{
     *     step: string, value: array<string, mixed>, of: string, recorded_at: string,
     *     within_min: float|null, same_step: string|null, same_field: string|null, same: mixed
     * }>
     */
    private function of(Step $step, Offer $offer, Joint $joint): array
    {
        $facts = $this->newest($step, $offer, $joint);
        $others = $this->others($facts->pluck('subject_id'));
        // A step of the same name may ask for something else at another kind of joint.
        $alike = $others
            ->pluck('kind')
            ->unique()
            ->filter(fn (string $kind) => $this->asksTheSame(ProcedureText::compiled($kind)->step($step->key), $step));
        $facts = $facts->filter(fn (Fact $fact) => $alike->contains($others[$fact->subject_id]->getAttribute('kind')));
        $same = $offer->sameStep === null ? null : $this->standing($offer->sameStep, $facts->pluck('subject_id'));
        $found = [];
        foreach ($facts as $fact) {
            $is = $same === null ? null : $same[$fact->subject_id]->value[$offer->sameField] ?? null;
            $key = json_encode($is);
            if ($same !== null && $is === null || isset($found[$key])) {
                continue;
            }
            $found[$key] = [
                'step' => $step->key,
                'value' => array_diff_key($fact->value, array_flip([...$offer->without, 'photos', 'remark'])),
                'of' => $others[$fact->subject_id]->name(),
                'recorded_at' => $fact->recorded_at,
                'within_min' => $offer->withinMin,
                'same_step' => $offer->sameStep,
                'same_field' => $offer->sameField,
                'same' => $is,
            ];
        }

        return \array_slice(array_values($found), 0, $same === null ? 1 : self::THINGS);
    }

    /**
     * @param  \Illuminate\Support\Collection<int, string>  $joints
     * @return Collection<string, Joint> by their ids: what they are called, and kind, the hash of what they are made by
     */
    private function others(\Illuminate\Support\Collection $joints): Collection
    {
        return Joint::query()
            ->join('lines', 'lines.id', '=', 'joints.line_id')
            ->select(['joints.id', 'joints.number', 'joints.place'])
            ->selectRaw('COALESCE(joints.procedure_hash, lines.procedure_hash) AS kind')
            ->findMany($joints)
            ->keyBy('id');
    }

    private function asksTheSame(?Step $other, Step $step): bool
    {
        $asked = fn (Step $of): array => array_map(fn (FieldSpec $field) => [$field->key, $field->label], $of->fields);

        return $other !== null && $asked($other) === $asked($step);
    }

    /** @return Collection<int, Fact> what holds of each other joint of the line (of the project where a thing is the same), newest first */
    private function newest(Step $step, Offer $offer, Joint $joint): Collection
    {
        $near = fn (Builder $lines): Builder => $offer->sameStep === null
            ? $lines->where('id', $joint->line_id)
            : $lines->where('project_id', $joint->line()->project_id);
        // Found by their numbers alone, and then read: what each holds may be long.
        $numbers = Fact::query()
            ->select('seq AS newest')
            ->where('subject_type', 'joint')
            ->where('step', $step->key)
            ->where('subject_id', '!=', $joint->id)
            ->whereIn('subject_id', Joint::query()->select('id')->whereIn('line_id', $near(Line::query()->select('id'))))
            ->orderByDesc('seq')
            ->limit(self::LAST);
        $facts = Fact::query()->joinSub($numbers, 'numbers', 'newest', '=', 'seq')->orderByDesc('seq')->get('facts.*');

        // What was entered again at a joint takes the place of what came before it.
        return $facts->unique('subject_id');
    }

    /**
     * @param  \Illuminate\Support\Collection<int, string>  $joints
     * @return array<string, Fact> id of the joint => the fact that counts at this step
     */
    private function standing(string $step, \Illuminate\Support\Collection $joints): array
    {
        $facts = Fact::query()->where('subject_type', 'joint')->whereIn('subject_id', $joints)->where('step', $step)->orderBy('seq')->get();

        return $facts->keyBy('subject_id')->all();
    }
}
