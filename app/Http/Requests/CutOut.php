<?php

namespace App\Http\Requests;

use App\Models\Joint;
use App\Models\Line;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\Gate;

/**
 * The order to cut a joint out, and how long the piece is that replaces it; or the word that it was pulled apart, which whoever
 * records may say.
 */
final class CutOut extends MemberRequest
{
    public function authorize(): Response
    {
        $seen = Gate::inspect('view', $this->line());

        return $seen->denied() || $this->isApart() ? $seen : Gate::inspect('cutOut', $this->line());
    }

    public function rules(): array
    {
        return [
            'reason' => 'required|string|min:3|max:500',
            'piece_m' => 'nullable|numeric|between:0.2,20',
            'pulled_apart' => 'nullable|boolean',
        ];
    }

    public function reason(): string
    {
        return (string) $this->string('reason');
    }

    public function pieceM(): ?float
    {
        return $this->filled('piece_m') ? $this->float('piece_m') : null;
    }

    public function isApart(): bool
    {
        return $this->boolean('pulled_apart');
    }

    protected function line(): Line
    {
        $joint = $this->route('joint');
        \assert($joint instanceof Joint);

        return $joint->line();
    }
}
