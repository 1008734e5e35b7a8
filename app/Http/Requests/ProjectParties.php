<?php

namespace App\Http\Requests;

use App\Models\Project;
use App\Models\User;
use App\Support\Say;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;

/** For whom a project is built, and by whom. */
final class ProjectParties extends FormRequest
{
    public function authorize(): Response
    {
        $project = $this->route('project');
        $user = $this->user();
        \assert($project instanceof Project && $user instanceof User);
        $role = $user->roleOn($project->id);

        return match (true) {
            // Not found rather than forbidden: a stranger learns nothing.
            $role === null => Response::denyAsNotFound(),
            $role->mayPlan() => Response::allow(),
            default => Response::deny(Say::text('refused.engineerSaysForWhom')),
        };
    }

    /** @return array<string, string> */
    public function rules(): array
    {
        return ['client' => 'nullable|string|max:120', 'contractor' => 'nullable|string|max:120', 'accepts_own_work' => 'boolean'];
    }

    /** @return array<string, string|bool> what was said; the rest stays */
    public function said(): array
    {
        $said = $this->validated();
        $parties = array_map(
            fn (mixed $name) => \is_string($name) ? trim($name) : '',
            array_intersect_key($said, ['client' => true, 'contractor' => true]),
        );

        return $parties + (isset($said['accepts_own_work']) ? ['accepts_own_work' => (bool) $said['accepts_own_work']] : []);
    }
}
