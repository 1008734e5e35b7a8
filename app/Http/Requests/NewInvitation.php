<?php

namespace App\Http\Requests;

use App\Models\Role;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Whom a link lets in: into a project with a role, as administrator, or somebody who is here already to a new password. */
final class NewInvitation extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => 'nullable|string|max:80',
            'project_id' => 'required_without_all:user_id,makes_admin|nullable|integer|exists:projects,id',
            'role' => ['required_with:project_id', 'nullable', Rule::enum(Role::class)],
            'makes_admin' => 'boolean',
            'user_id' => 'nullable|integer|exists:users,id|prohibits:project_id,makes_admin',
        ];
    }

    /** @return array{name?: string, project_id?: int|null, role?: string|null, makes_admin?: bool, user_id?: int|null} */
    public function invited(): array
    {
        return ['name' => (string) $this->string('name')] + $this->validated();
    }
}
