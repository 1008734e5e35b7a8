<?php

namespace App\Actions;

use App\Laying\PlannedPipe;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use Diastoma\Core\Pipe\PipeNumber;
use Illuminate\Support\Str;

/** Puts planned pipes into a line, one after the other, and a joint between each two. */
final class PlanPipes
{
    /** Rows that are stored at a time. */
    private const AT_ONCE = 500;

    /** Less than this is no pipe, m. */
    public const LEAST_M = 0.01;

    /** Bends are not painted with the numbers of pipes: B1, B2. */
    public const BEND = 'B';

    /** @return list<PlannedPipe> pipes of the line's length from a chainage to its end, the last one cut to what is left */
    public static function evenly(Line $line, float $from): array
    {
        $length = $line->centre_line[0][0] + $line->length() - $from;
        $pipes = [];
        for ($n = 0; $n === 0 || $n * $line->pipe_length_m < $length - self::LEAST_M; $n++) {
            $at = $n * $line->pipe_length_m;
            $pipes[] = new PlannedPipe($from + $at, min($line->pipe_length_m, $length - $at));
        }

        return $pipes;
    }

    /**
     * What is planned anew keeps the joints that are there, one after the other: who records at one of them meanwhile, without
     * network, records at the same one.
     *
     * @param  list<PlannedPipe>  $planned
     * @param  Pipe|null  $before  which they go on from: a joint lies between; null: the line begins here
     * @param  int  $pipes  numbers of pipes that are taken
     * @param  int  $joints  numbers of joints that are taken
     * @param  list<Pipe>  $ownPipes  that were planned before, in their order: the first of the new ones
     * @param  list<Joint>  $ownJoints  likewise
     * @param  int  $bends  numbers of bends that are taken
     */
    public function __invoke(
        Line $line,
        array $planned,
        ?Pipe $before = null,
        int $pipes = 0,
        int $joints = 0,
        array $ownPipes = [],
        array $ownJoints = [],
        int $bends = 0,
    ): void {
        $steps = $line->procedureText->procedure()->steps;
        $total = \count(array_filter($steps, fn ($s) => ! $s->optional));
        $size = json_encode($line->pipe, JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
        $last = $before?->only(['id', 'number']);
        $rows = ['pipes' => [], 'joints' => []];
        $now = now();
        foreach ($planned as $piece) {
            $isBend = $piece->bend !== null;
            $pipe = self::next($ownPipes, $isBend)?->only(['id', 'number']) ?? [
                'id' => (string) Str::uuid(), 'number' => $isBend ? self::BEND.++$bends : sprintf('%03d', ++$pipes),
            ];
            $rows['pipes'][] = $pipe + [
                'line_id' => $line->id,
                'plain' => PipeNumber::plain($pipe['number']),
                'size' => $size,
                'length_m' => round($piece->length, 3),
                'cut_from_m' => $piece->cutFrom,
                'bend' => $isBend ? json_encode($piece->bend, JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR) : null,
                'created_at' => $now,
                'updated_at' => $now,
            ];
            if ($last !== null) {
                $joint = array_shift($ownJoints);
                $rows['joints'][] = [
                    'id' => $joint->id ?? (string) Str::uuid(),
                    'line_id' => $line->id,
                    'number' => $joint->number ?? (string) ++$joints,
                    'chainage_m' => round($piece->from, 3),
                    'total' => $total,
                    'next_step' => $steps[0]->key(),
                    'pipes' => json_encode(['a' => $last['number'], 'b' => $pipe['number']]),
                    'pipe_a_id' => $last['id'],
                    'pipe_b_id' => $pipe['id'],
                    'planned' => $piece->joint === null ? null : json_encode($piece->joint, JSON_THROW_ON_ERROR),
                    'created_at' => $now,
                    'updated_at' => $now,
                ];
            }
            $last = $pipe;
        }
        foreach (array_chunk($rows['pipes'], self::AT_ONCE) as $chunk) {
            Pipe::query()->upsert($chunk, 'id', ['length_m', 'cut_from_m', 'bend', 'updated_at']);
        }
        foreach (array_chunk($rows['joints'], self::AT_ONCE) as $chunk) {
            Joint::query()->upsert($chunk, 'id', ['chainage_m', 'pipes', 'pipe_a_id', 'pipe_b_id', 'planned', 'updated_at']);
        }
    }

    /**
     * The first of them that is a bend, or that is none; it is taken out.
     *
     * @param  array<int, Pipe>  $own
     */
    private static function next(array &$own, bool $isBend): ?Pipe
    {
        foreach ($own as $i => $pipe) {
            if (($pipe->bend !== null) === $isBend) {
                unset($own[$i]);

                return $pipe;
            }
        }

        return null;
    }
}
