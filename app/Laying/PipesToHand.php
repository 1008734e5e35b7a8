<?php

namespace App\Laying;

use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;

/** Pipes that came and are not laid, by length: what somebody checked in or typed, not what is only planned. */
final class PipesToHand
{
    /** Two lengths that differ by less are one, in steps of so many metres. */
    private const STEP_M = 0.01;

    /** @return list<array{length_m: float, count: int}> longest first; none: nobody has said what is to hand */
    public function __invoke(Line $line, Face $face): array
    {
        $laid = Joint::query()
            ->where('line_id', $line->id)
            ->whereNotIn('id', $face->planned->modelKeys())
            ->get(['pipe_a_id', 'pipe_b_id'])
            ->flatMap(fn (Joint $joint) => [$joint->pipe_a_id, $joint->pipe_b_id])
            ->filter()
            ->flip();
        $counts = [];
        foreach (Pipe::query()->where('line_id', $line->id)->where('state', Pipe::TO_HAND)->whereNotNull('delivery_id')->get() as $pipe) {
            if ($pipe->length_m !== null && ! isset($laid[$pipe->id])) {
                $key = (string) (round($pipe->length_m / self::STEP_M) * self::STEP_M);
                $counts[$key] = ($counts[$key] ?? 0) + 1;
            }
        }
        krsort($counts, SORT_NUMERIC);

        return array_map(
            fn (string|int $length, int $count): array => ['length_m' => (float) $length, 'count' => $count],
            array_keys($counts),
            array_values($counts),
        );
    }
}
