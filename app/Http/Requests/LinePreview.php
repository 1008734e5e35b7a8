<?php

namespace App\Http\Requests;

use App\Models\Role;
use App\Support\Say;

/** A line that is being made: what its drawing needs, and of its sections what is known so far. */
final class LinePreview extends ProjectRequest
{
    use SaidOfALine;

    /** Wanted only when it is made. */
    private const LATER = ['name', 'design_bar', 'procedure_hash', 'sections.*.name'];

    private const SO_FAR = ['sections.*.from_m', 'sections.*.to_m', 'sections.*.method_hash'];

    public function rules(): array
    {
        $rules = array_diff_key(NewLine::wanted(), array_flip(self::LATER));
        foreach (self::SO_FAR as $key) {
            $rules[$key] = str_replace('required', 'nullable', $rules[$key]);
        }

        return $rules + ['sections.*.name' => 'nullable|string|max:80'];
    }

    protected function refusal(Role $role): ?string
    {
        return $role->mayPlan() ? null : Say::text('refused.engineerMakesLine');
    }
}
