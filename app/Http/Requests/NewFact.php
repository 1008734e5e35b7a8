<?php

namespace App\Http\Requests;

use App\Support\DeviceClock;
use App\Support\Say;
use Diastoma\Core\Refused;

/** One fact. */
final class NewFact extends DeviceRequest
{
    use SentAsJson;

    private const MEGA = 1_000_000;

    /** A log of 50,000 readings has two of them. */
    private const MOST_BYTES = 4 * self::MEGA;

    public function rules(): array
    {
        return [
            'id' => 'required|uuid',
            'step' => 'required|string|max:64',
            'value' => 'required|array',
            'recorded_at' => 'required|string|max:40',
            'supersedes' => 'nullable|uuid',
            'reason' => 'nullable|string|max:500',
            'device' => 'nullable|uuid',
            'clock_off_s' => 'nullable|integer|between:'.-DeviceClock::MOST_S.','.DeviceClock::MOST_S,
            // Hash of the procedure's text that the device showed.
            'procedure' => 'nullable|string|size:64',
            // Asked for by a signature that seals; it is checked and never kept.
            'password' => 'nullable|string|max:200',
        ];
    }

    /** An entry that is too large says so before it is looked at: a device keeps it, and a person sees why it does not go. */
    public function withValidator(): void
    {
        $bytes = \strlen((string) $this->getContent());
        if ($bytes > self::MOST_BYTES) {
            throw Refused::field('value', Say::text('refused.entryTooLarge', [
                'mb' => number_format($bytes / self::MEGA, 1), 'most' => self::MOST_BYTES / self::MEGA,
            ]));
        }
    }

    /**
     * The framework trims and empties strings; the value is what came.
     *
     * @return array{
     *     id: string, step: string, value: array<string, mixed>, recorded_at: string,
     *     supersedes?: string|null, reason?: string|null, device?: string|null, clock_off_s?: int|null, procedure?: string|null
     * }
     */
    public function body(): array
    {
        /** @var array{id: string, step: string, recorded_at: string, value: array<string, mixed>} */
        return ['value' => $this->json('value')] + array_diff_key($this->validated(), ['password' => true]);
    }
}
