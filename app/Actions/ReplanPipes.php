<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Photo;
use App\Models\Pipe;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/**
 * Plans the pipes of a line anew from the face on, with the length that they have now: what nobody has begun goes, what was
 * begun stays, and so does a pipe of which somebody has said anything.
 */
final readonly class ReplanPipes
{
    public function __construct(private PlanPipes $plan)
    {
    }

    /** @param  Line  $line  locked by who calls, with the new length */
    public function __invoke(Line $line): void
    {
        // Held until it is done: who records at one of them meanwhile waits, and finds it gone or begun.
        $joints = $this->inLine($line)->orderBy('chainage_m')->orderBy('number')->lockForUpdate()->get();
        $begun = $this->begun($joints);
        $face = $joints->last(fn (Joint $joint) => isset($begun[$joint->id]));
        $planned = $joints->filter(fn (Joint $joint) => $face === null || $joint->chainage_m > $face->chainage_m);
        $before = $face?->pipeOf('b');
        Joint::query()->whereIn('id', $planned->modelKeys())->delete();
        $this->freePipes($line)->when($before !== null, fn (Builder $q) => $q->where('id', '!=', $before->id))->delete();
        $start = $line->centre_line[0][0];
        $from = $face === null ? $start : $face->chainage_m + ($before->length_m ?? $line->pipe_length_m);
        if ($from < $start + $line->length() - PlanPipes::LEAST_M) {
            [$pipes, $numbers] = $this->taken($line);
            ($this->plan)($line, $from, $before, $pipes, $numbers);
        }
    }

    /** @return Builder<Joint> */
    private function inLine(Line $line): Builder
    {
        return Joint::query()->where('line_id', $line->id)->where('place', 'in-line');
    }

    /**
     * @param  Collection<int, Joint>  $joints
     * @return array<string, true> those at which anything was recorded, or that stand for another one, or carry one
     */
    private function begun(Collection $joints): array
    {
        $ids = $joints->modelKeys();
        $type = (new Joint)->getMorphClass();

        return array_fill_keys([
            ...$joints->filter(fn (Joint $j) => $j->state !== 'planned' || $j->replaces_id !== null)->modelKeys(),
            ...Fact::query()->where('subject_type', $type)->whereIn('subject_id', $ids)->distinct()->pluck('subject_id')->all(),
            ...Photo::query()->where('subject_type', $type)->whereIn('subject_id', $ids)->distinct()->pluck('subject_id')->all(),
            ...Joint::query()->whereIn('host_id', $ids)->distinct()->pluck('host_id')->all(),
        ], true);
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
