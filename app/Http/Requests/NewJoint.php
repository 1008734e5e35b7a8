<?php

namespace App\Http\Requests;

/** A saddle, a joint that was not planned, or the restraints of a joint; who may add which is for the controller to say. */
final class NewJoint extends MemberRequest
{
    public function rules(): array
    {
        return [
            'procedure_hash' => 'required|string|size:64',
            'chainage_m' => 'nullable|numeric',
            'number' => 'nullable|string|max:20|regex:/^[A-Za-z0-9-]+$/',
            'host_id' => 'nullable|uuid',
            'count' => 'nullable|integer',
            'pipe' => 'nullable|string|max:60',
        ];
    }

    /**
     * @return array{
     *     procedure_hash: string, chainage_m?: float|null, number?: string|null,
     *     host_id?: string|null, count?: int|null, pipe?: string|null
     * }
     */
    public function body(): array
    {
        /** @var array{procedure_hash: string} */
        return $this->validated();
    }
}
