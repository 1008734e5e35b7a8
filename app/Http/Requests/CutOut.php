<?php

namespace App\Http\Requests;

use App\Models\Joint;
use App\Models\Line;

/** The order to cut a joint out, and how long the piece is that replaces it. */
final class CutOut extends MemberRequest
{
    protected const MAY = 'cutOut';

    public function rules(): array
    {
        return ['reason' => 'required|string|min:3|max:500', 'piece_m' => 'nullable|numeric|between:0.2,20'];
    }

    public function reason(): string
    {
        return (string) $this->string('reason');
    }

    public function pieceM(): ?float
    {
        return $this->filled('piece_m') ? $this->float('piece_m') : null;
    }

    protected function line(): Line
    {
        $joint = $this->route('joint');
        \assert($joint instanceof Joint);

        return $joint->line();
    }
}
