<?php

namespace App\Http\Requests;

use App\Actions\ChangeLine;

/**
 * What is changed of a line, and why.
 *
 * @phpstan-import-type Asked from ChangeLine
 */
final class LineChange extends MemberRequest
{
    use SaidOfALine;

    protected const MAY = 'plan';

    /** How a pipe is ordered: said whole, or not at all. */
    private const PIPE = [
        'material' => 'nullable|required_with:series,nominal,sdr,wall_mm,od_mm|string|max:40',
        'series' => 'nullable|required_with:material|string|max:20',
        'nominal' => 'nullable|required_with:material|numeric|gt:0',
        'sdr' => 'nullable|numeric|between:5,51',
        'wall_mm' => 'nullable|numeric|gt:0',
        'od_mm' => 'nullable|numeric|gt:0',
    ];

    public function rules(): array
    {
        return [
            'reason' => 'required|string|min:3|max:500',
            'name' => 'nullable|string|max:120',
            'archived' => 'nullable|boolean',
            'points' => 'nullable|array|max:20000',
            'pipe_length_m' => 'nullable|numeric|between:0.5,500',
            'design_bar' => 'nullable|numeric|between:0.1,100',
            'mdp_bar' => 'nullable|numeric|between:0.1,100',
            'procedure_hash' => 'nullable|string|size:64',
            ...self::PIPE,
        ];
    }

    /** @return Asked */
    public function body(): array
    {
        $said = $this->validated();
        $points = $said['points'] ?? null;

        return [
            'reason' => $this->string('reason')->toString(),
            'name' => $this->filled('name') ? $this->string('name')->toString() : null,
            'archived' => $this->filled('archived') ? $this->boolean('archived') : null,
            'points' => \is_array($points) ? array_values($points) : null,
            'pipe_length_m' => $this->figure('pipe_length_m'),
            'design_bar' => $this->figure('design_bar'),
            'mdp_bar' => $this->figure('mdp_bar'),
            'procedure_hash' => $this->filled('procedure_hash') ? $this->string('procedure_hash')->toString() : null,
            'pipe' => $this->pipe(),
        ];
    }

    private function figure(string $key): ?float
    {
        return $this->filled($key) ? $this->float($key) : null;
    }

    /** @return array<string, mixed>|null */
    private function pipe(): ?array
    {
        return $this->filled('material') ? array_intersect_key((array) $this->validated(), self::PIPE) : null;
    }
}
