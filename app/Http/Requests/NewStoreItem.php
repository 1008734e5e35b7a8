<?php

namespace App\Http\Requests;

use App\Models\Role;
use App\Support\Say;

/** A thing in the stores, or what changed of it. */
final class NewStoreItem extends ProjectRequest
{
    use SentAsJson;

    public function rules(): array
    {
        return [
            'id' => 'required|uuid',
            'project_id' => 'required|integer',
            'kind' => 'required|string|max:40',
            'name' => 'required|string|max:120',
            'values' => 'present|array',
            'supersedes' => 'nullable|uuid',
            'reason' => 'nullable|string|max:500',
            'retired' => 'nullable|boolean',
        ];
    }

    /**
     * @return array{
     *     id: string, kind: string, name: string, values: array<string, mixed>,
     *     supersedes?: string|null, reason?: string|null, retired?: bool|null
     * }
     */
    public function body(): array
    {
        /** @var array{id: string, kind: string, name: string, values: array<string, mixed>} */
        return ['values' => $this->json('values')] + $this->validated();
    }

    protected function refusal(Role $role): ?string
    {
        return (string) $this->string('kind') === 'code-layout' && ! $role->mayPlan()
            ? Say::text('refused.engineerEntersLayout')
            : null;
    }
}
