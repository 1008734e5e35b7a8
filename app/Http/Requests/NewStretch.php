<?php

namespace App\Http\Requests;

/** A stretch of the line, or a point of it, about which facts are recorded. */
final class NewStretch extends MemberRequest
{
    public function rules(): array
    {
        return [
            'procedure_hash' => 'required|string|size:64',
            'name' => 'nullable|string|max:80',
            'from_m' => 'nullable|numeric',
            'to_m' => 'nullable|numeric',
        ];
    }

    /** @return array{procedure_hash: string, name?: string|null, from_m?: float|int|string|null, to_m?: float|int|string|null} */
    public function body(): array
    {
        /** @var array{procedure_hash: string} */
        return $this->validated();
    }
}
