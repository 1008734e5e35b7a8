<?php

namespace App\Http\Requests;

use App\Models\Role;
use App\Support\Say;

/** A line with its pipes, the procedure of its joints, and its sections. */
final class NewLine extends ProjectRequest
{
    use SaidOfALine;

    public function rules(): array
    {
        return self::wanted();
    }

    /** @return array<string, string> */
    public static function wanted(): array
    {
        $section = array_combine(
            array_map(fn (string $key) => "sections.*.{$key}", array_keys(NewSection::RULES)),
            NewSection::RULES,
        );

        return [
            'project_id' => 'required|integer',
            'name' => 'required|string|max:120',
            'service' => 'required|in:water,sewer,gas',
            'material' => 'required|string|max:40',
            'series' => 'nullable|string|max:20',
            'dn_mm' => 'required_without:nominal|numeric',
            'nominal' => 'nullable|numeric|gt:0',
            'sdr' => 'nullable|numeric|between:5,51',
            'wall_mm' => 'nullable|numeric',
            'od_mm' => 'nullable|numeric|gt:0',
            'design_bar' => 'required|numeric|between:0.1,100',
            'mdp_bar' => 'required|numeric|between:0.1,100',
            'pipe_length_m' => 'required|numeric|between:0.5,500',
            'procedure_hash' => 'required|string|size:64',
            'begun_on' => 'nullable|date_format:Y-m-d',
            'centre_line' => 'required|array|min:2|max:20000',
            'sections' => 'array|max:200',
        ] + $section;
    }

    protected function refusal(Role $role): ?string
    {
        return $role->mayPlan() ? null : Say::text('refused.engineerMakesLine');
    }
}
