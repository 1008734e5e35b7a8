<?php

namespace App\Http\Requests;

/** One fact. */
final class NewFact extends DeviceRequest
{
    use SentAsJson;

    public function rules(): array
    {
        return [
            'id' => 'required|uuid',
            'step' => 'required|string|max:64',
            'value' => 'required|array',
            'recorded_at' => 'required|string|max:40',
            'supersedes' => 'nullable|uuid',
            'reason' => 'nullable|string|max:500',
            // Asked for by a signature that seals; it is checked and never kept.
            'password' => 'nullable|string|max:200',
        ];
    }

    /**
     * The framework trims and empties strings; the value is what came.
     *
     * @return array{
     *     id: string, step: string, value: array<string, mixed>, recorded_at: string,
     *     supersedes?: string|null, reason?: string|null
     * }
     */
    public function body(): array
    {
        /** @var array{id: string, step: string, recorded_at: string, value: array<string, mixed>} */
        return ['value' => $this->json('value')] + array_diff_key($this->validated(), ['password' => true]);
    }
}
