<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A project, as it is begun. */
final class NewProject extends FormRequest
{
    /** @return array<string, string> */
    public function rules(): array
    {
        return [
            'name' => 'required|string|min:2|max:120|unique:projects,name',
            'place' => 'nullable|string|max:120',
            'client' => 'nullable|string|max:120',
            'contractor' => 'nullable|string|max:120',
            'time_zone' => 'required|timezone',
            'practice' => 'boolean',
        ];
    }

    /** @return array<string, string|bool> */
    public function project(): array
    {
        return array_map(fn (mixed $said) => $said ?? '', $this->validated());
    }
}
