<?php

namespace App\Http\Requests;

/** A section to be tested. */
final class NewSection extends MemberRequest
{
    use SaidOfALine;

    public const RULES = [
        'name' => 'required|string|max:80',
        'from_m' => 'required|numeric',
        'to_m' => 'required|numeric',
        'method_hash' => 'required|string|size:64',
        'gauge_m' => 'nullable|numeric',
        'stp_method' => 'nullable|in:en805-surge-calculated,en805-surge-assumed,factor',
        'factor' => 'nullable|numeric|between:1,3',
        'water_c' => 'nullable|numeric|between:1,40',
        'fill_l_s' => 'nullable|numeric|between:0.01,1000',
        'pipe_max_bar' => 'nullable|numeric|between:0.1,200',
    ];

    protected const MAY = 'plan';

    public function rules(): array
    {
        return self::RULES;
    }
}
