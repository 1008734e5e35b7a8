<?php

namespace App\Actions;

use App\Models\Stretch;
use Diastoma\Core\Procedure\Kind\Entries;
use Diastoma\Core\Procedure\Step;

/** What the list of the record before held and the one of today may take over: whoever was there yesterday is there today. */
final class OfferEntries
{
    /** Records that are looked through, the newest first, until one has entries. */
    private const LOOKED_THROUGH = 5;

    /**
     * @return list<array{
     *     step: string, value: array<string, mixed>, of: string, recorded_at: string,
     *     within_min: null, same_step: null, same_field: null, same: null
     * }> in the order in which they stood
     */
    public function __invoke(Stretch $stretch): array
    {
        $steps = array_filter($stretch->procedure()->steps, fn (Step $s) => $s->offer !== null && $s->kind instanceof Entries);
        if ($steps === []) {
            return [];
        }
        $before = Stretch::query()
            ->where('line_id', $stretch->line_id)
            ->whereKeyNot($stretch->id)
            ->whereHas('procedureText', fn ($q) => $q->where('key', $stretch->procedure()->id))
            ->latest()
            ->limit(self::LOOKED_THROUGH)
            ->get();

        return array_merge(...array_map(fn (Step $step) => $this->of($step, $before), array_values($steps)));
    }

    /**
     * @param  iterable<Stretch>  $before
     * @return list<array{
     *     step: string, value: array<string, mixed>, of: string, recorded_at: string,
     *     within_min: null, same_step: null, same_field: null, same: null
     * }>
     */
    private function of(Step $step, iterable $before): array
    {
        foreach ($before as $other) {
            $found = [];
            foreach ($other->standing($step->key) as $fact) {
                if (isset($fact->value[$step->fields[0]->key])) {
                    $found[] = [
                        'step' => $step->key,
                        'value' => array_diff_key($fact->value, array_flip([...$step->offer->without ?? [], 'photos', 'remark'])),
                        'of' => $other->name(), 'recorded_at' => $fact->recorded_at,
                        'within_min' => null, 'same_step' => null, 'same_field' => null, 'same' => null,
                    ];
                }
            }
            if ($found !== []) {
                return $found;
            }
        }

        return [];
    }
}
