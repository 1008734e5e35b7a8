<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use App\Models\User;
use App\Support\Conflict;
use App\Support\Say;
use Diastoma\Core\Pipe\PipeNumber;
use Diastoma\Core\Pipe\PipeSize;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Collection as BaseCollection;
use Illuminate\Support\Facades\DB;

/** A pipe of a line as it came: another material or size than was planned, its serial, its length, where it is from. */
final class KeepPipe
{
    /** How often it is tried where two hold what the other wants. */
    public const TRIES = 3;

    public function __construct(private readonly PipeSize $sizes, private readonly JudgeSubject $judge)
    {
    }

    /** @param  array<string, mixed>  $body  number, and what differs from the pipe of the line */
    public function add(Line $line, User $by, array $body): Pipe
    {
        try {
            return Pipe::query()->create([
                'line_id' => $line->id,
                'number' => trim($body['number']),
                'plain' => PipeNumber::plain($body['number']),
                'size' => $this->size($line, $body, $line->pipe),
                'serial' => $body['serial'] ?? null,
                'length_m' => $body['length_m'] ?? $line->pipe_length_m,
                'source' => $body['source'] ?? null,
                'user_id' => $by->id,
            ]);
        } catch (UniqueConstraintViolationException) {
            throw new Conflict('number', Say::text('refused.pipeNumberTaken', ['number' => $body['number']]));
        }
    }

    /**
     * @param  array<string, mixed>  $body
     *
     * @throws Conflict once a joint was begun with it: that was judged by the pipe as it was known
     */
    public function change(Pipe $pipe, Line $line, User $by, array $body): Pipe
    {
        return DB::transaction(function () use ($pipe, $line, $by, $body): Pipe {
            [$pipe, $joints] = self::held($pipe);
            $begun = $joints->first(fn (Joint $joint) => $joint->state !== 'planned');
            $size = $this->size($line, $body, $pipe->size);
            if ($begun !== null && $size != $pipe->size) {
                throw new Conflict(
                    'size',
                    Say::text('refused.pipeSizeStays', ['pipe' => $pipe->number, 'joint' => $begun->number]),
                );
            }
            $pipe->update(
                ['size' => $size, 'user_id' => $by->id] +
                    array_intersect_key($body, ['serial' => true, 'length_m' => true, 'source' => true]),
            );
            // What is signed stays as it was signed.
            $joints->whereNull('sealed_at')->each(fn (Joint $joint) => ($this->judge)($joint));

            return $pipe;
        }, self::TRIES);
    }

    /**
     * A pipe and the joints in which it lies or is planned, held until the transaction ends: nobody records on them meanwhile.
     * Joints first, in the order of their ids, and then the pipe, as whoever records a fact takes them.
     *
     * @return array{Pipe, Collection<int, Joint>}
     */
    public static function held(Pipe $pipe): array
    {
        $its = Joint::query()
            ->where('line_id', $pipe->line_id)
            ->where(fn ($q) => $q->where('pipe_a_id', $pipe->id)->orWhere('pipe_b_id', $pipe->id));
        $hold = fn (BaseCollection $ids) => Joint::query()->whereKey($ids)->orderBy('id')->lockForUpdate()->get();
        $hold($its->pluck('id'));
        $held = Pipe::query()->lockForUpdate()->findOrFail($pipe->id);
        // With those that have named it since then; from here on nobody names it.
        $joints = $hold($its->pluck('id'));

        return [$held, $joints->load(['ofLine.project', 'ofLine.procedureText', 'procedureText'])];
    }

    /**
     * @param  array<string, mixed>  $body
     * @param  array<string, mixed>  $before
     * @return array<string, mixed>
     */
    private function size(Line $line, array $body, array $before): array
    {
        $said = array_filter(
            array_intersect_key($body, array_flip(['material', 'series', 'nominal', 'sdr', 'wall_mm', 'od_mm'])),
            fn (mixed $v) => $v !== null,
        );
        if ($said === []) {
            return $before;
        }

        return $this->sizes->of($said + ['material' => $before['material'], 'series' => $before['series'] ?? 'metric'], $line->service);
    }
}
