<?php

namespace App\Actions;

use App\Laying\Face;
use App\Laying\PlannedPipe;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use Illuminate\Database\Eloquent\Builder;

/**
 * Plans the pipes of a line anew from the face on: what nobody has begun goes, what was begun stays, and so does a pipe of which
 * somebody has said anything.
 */
final readonly class ReplanPipes
{
    public function __construct(private PlanPipes $plan)
    {
    }

    /**
     * @param  Line  $line  locked by who calls
     * @param  Face  $face  its joints held
     * @param  list<PlannedPipe>|null  $pipes  from the face on; null: of the line's length, to its end
     */
    public function __invoke(Line $line, Face $face, ?array $pipes = null): void
    {
        Joint::query()->whereIn('id', $face->planned->modelKeys())->delete();
        $this->freePipes($line)->when($face->pipe !== null, fn (Builder $q) => $q->where('id', '!=', $face->pipe?->id))->delete();
        if ($face->from < $line->centre_line[0][0] + $line->length() - PlanPipes::LEAST_M) {
            [$taken, $numbers] = $this->taken($line);
            ($this->plan)($line, $pipes ?? PlanPipes::evenly($line, $face->from), $face->pipe, $taken, $numbers);
        }
    }

    /** @return Builder<Pipe> that no joint names and of which nobody has said anything: they were only planned */
    private function freePipes(Line $line): Builder
    {
        $named = fn (string $end): Builder => Joint::query()->where('line_id', $line->id)->whereNotNull($end)->select($end);

        return Pipe::query()
            ->where('line_id', $line->id)
            ->whereNull('user_id')
            ->whereNull('serial')
            ->whereNull('delivery_id')
            ->where('state', Pipe::TO_HAND)
            ->whereDoesntHave('words')
            ->whereNotIn('id', $named('pipe_a_id'))
            ->whereNotIn('id', $named('pipe_b_id'));
    }

    /** @return array{int, int} highest number of a pipe and of a joint */
    private function taken(Line $line): array
    {
        $highest = fn (iterable $numbers): int => max([0, ...array_map(intval(...), array_filter([...$numbers], ctype_digit(...)))]);

        return [
            $highest(Pipe::query()->where('line_id', $line->id)->pluck('plain')),
            $highest(Joint::query()->where('line_id', $line->id)->pluck('number')),
        ];
    }
}
