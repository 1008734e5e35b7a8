<?php

namespace App\Http\Requests;

use App\Models\Role;
use App\Models\User;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Foundation\Http\FormRequest;

/** A body that names the project which it is for: its form is checked first, then whether the person belongs to the project. */
abstract class ProjectRequest extends FormRequest
{
    /** @return array<string, string> what each key may hold */
    abstract public function rules(): array;

    /** Why this role may not do it; null: it may. */
    abstract protected function refusal(Role $role): ?string;

    public function who(): User
    {
        /** @var User */
        return $this->user();
    }

    protected function passedValidation(): void
    {
        $role = $this->who()->roleOn($this->integer('project_id')) ?? abort(404);
        $why = $this->refusal($role);
        if ($why !== null) {
            throw new AuthorizationException($why);
        }
    }
}
