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
        ];
    }

    /** @return array{reason: string, name?: string|null, archived?: bool|null, points?: list<mixed>|null} */
    public function body(): array
    {
        $said = $this->validated();
        $points = $said['points'] ?? null;

        return [
            'reason' => $this->string('reason')->toString(),
            'name' => $this->filled('name') ? $this->string('name')->toString() : null,
            'archived' => $this->filled('archived') ? $this->boolean('archived') : null,
            'points' => \is_array($points) ? array_values($points) : null,
        ];
    }
}
