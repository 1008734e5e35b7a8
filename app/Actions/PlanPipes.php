<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use Illuminate\Support\Str;

/**
 * Plans the pipes of a line from a chainage to its end, one after the other, the last one cut to what is left, and a joint between
 * each two.
 */
final class PlanPipes
{
    /** Rows that are stored at a time. */
    private const AT_ONCE = 500;

    /** Less than this is no pipe, m. */
    public const LEAST_M = 0.01;

    /**
     * @param  float  $from  chainage at which the first of them begins, m
     * @param  Pipe|null  $before  which they go on from: a joint lies between; null: the line begins here
     * @param  int  $pipes  numbers of pipes that are taken
     * @param  int  $joints  numbers of joints that are taken
     */
    public function __invoke(Line $line, float $from, ?Pipe $before = null, int $pipes = 0, int $joints = 0): void
    {
        $steps = $line->procedureText->procedure()->steps;
        $total = \count(array_filter($steps, fn ($s) => ! $s->optional));
        $length = $line->centre_line[0][0] + $line->length() - $from;
        $last = $before?->only(['id', 'number']);
        $rows = ['pipes' => [], 'joints' => []];
        for ($n = 0; $n === 0 || $n * $line->pipe_length_m < $length - self::LEAST_M; $n++) {
            $at = $n * $line->pipe_length_m;
            $pipe = ['id' => (string) Str::uuid(), 'number' => sprintf('%03d', ++$pipes)];
            $rows['pipes'][] = $pipe + [
                'line_id' => $line->id,
                'plain' => (string) $pipes,
                'size' => json_encode($line->pipe, JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR),
                'length_m' => round(min($line->pipe_length_m, $length - $at), 3),
                'created_at' => now(),
                'updated_at' => now(),
            ];
            if ($last !== null) {
                $rows['joints'][] = [
                    'id' => (string) Str::uuid(),
                    'line_id' => $line->id,
                    'number' => (string) ++$joints,
                    'chainage_m' => round($from + $at, 3),
                    'total' => $total,
                    'next_step' => $steps[0]->key(),
                    'pipes' => json_encode(['a' => $last['number'], 'b' => $pipe['number']]),
                    'pipe_a_id' => $last['id'],
                    'pipe_b_id' => $pipe['id'],
                    'created_at' => now(),
                    'updated_at' => now(),
                ];
            }
            $last = $pipe;
        }
        foreach (array_chunk($rows['pipes'], self::AT_ONCE) as $chunk) {
            Pipe::query()->insert($chunk);
        }
        foreach (array_chunk($rows['joints'], self::AT_ONCE) as $chunk) {
            Joint::query()->insert($chunk);
        }
    }
}
