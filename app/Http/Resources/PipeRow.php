<?php

namespace App\Http\Resources;

use App\Models\Pipe;
use App\Models\PipeWord;
use Illuminate\Support\Carbon;

/** A pipe as its list shows it. */
final class PipeRow
{
    private const SIZE = ['material', 'series', 'size', 'dn_mm', 'od_mm', 'sdr', 'wall_mm', 'wall_as'];

    /**
     * @param  list<string>  $joints  numbers of those in which it lies or is planned
     * @return array<string, mixed>
     */
    public static function of(Pipe $pipe, array $joints = []): array
    {
        $words = $pipe->relationLoaded('words') ? $pipe->words : collect();

        return $pipe->only(['id', 'number', 'serial', 'length_m', 'source', 'state', 'reason']) + [
            'pipe' => array_intersect_key($pipe->size, array_flip(self::SIZE)) + [
                'series' => 'metric',
                'size' => (string) $pipe->size['dn_mm'],
            ],
            'bend_deg' => $pipe->bend()?->turn,
            'joints' => $joints,
            'said' => $words
                ->map(
                    fn (PipeWord $w) => [
                        'state' => $w->state,
                        'reason' => $w->reason,
                        'by' => $w->user->name,
                        'at' => Carbon::parse($w->created_at)->toIso8601ZuluString(),
                    ],
                )
                ->all(),
        ];
    }
}
