<?php

namespace App\Http\Requests;

/** What is changed of a line, and why. */
final class LineChange extends MemberRequest
{
    use SaidOfALine;

    protected const MAY = 'plan';

    public function rules(): array
    {
        return [
            'reason' => 'required|string|min:3|max:500',
            'name' => 'nullable|string|max:120',
            'archived' => 'nullable|boolean',
            'points' => 'nullable|array|max:20000',
            'pipe_length_m' => 'nullable|numeric|between:0.5,500',
        ];
    }

    /** @return array{reason: string, name?: string|null, archived?: bool|null, points?: list<mixed>|null, pipe_length_m?: float|null} */
    public function body(): array
    {
        $said = $this->validated();
        $points = $said['points'] ?? null;

        return [
            'reason' => $this->string('reason')->toString(),
            'name' => $this->filled('name') ? $this->string('name')->toString() : null,
            'archived' => $this->filled('archived') ? $this->boolean('archived') : null,
            'points' => \is_array($points) ? array_values($points) : null,
            'pipe_length_m' => $this->filled('pipe_length_m') ? $this->float('pipe_length_m') : null,
        ];
    }
}
