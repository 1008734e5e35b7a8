<?php

namespace App\Actions;

use App\Laying\Face;
use App\Laying\PlannedPipe;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use Illuminate\Database\Eloquent\Builder;

/**
 * Plans the pipes of a line anew from the face on: what nobody has begun makes room, what was begun stays, and so does a pipe of
 * which somebody has said anything. Joints that were planned keep who they are and take their new places, as far as there are any.
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
        $planned = $face->from < $line->centre_line[0][0] + $line->length() - PlanPipes::LEAST_M
            ? $pipes ?? PlanPipes::evenly($line, $face->from)
            : [];
        $ownPipes = $this->ownPipes($line, $face);
        $ownJoints = array_values($face->planned->all());
        $keptPipes = self::kept($ownPipes, $planned);
        $keptJoints = \array_slice($ownJoints, 0, max(0, \count($planned) - ($face->pipe === null ? 1 : 0)));
        Joint::query()->whereIn('id', self::ids(\array_slice($ownJoints, \count($keptJoints))))->delete();
        Joint::query()->whereIn('id', self::ids($keptJoints))->update(['pipe_a_id' => null, 'pipe_b_id' => null]);
        $this->freePipes($line)->whereNotIn('id', [...self::ids($keptPipes), ...$face->pipe === null ? [] : [$face->pipe->id]])->delete();
        [$taken, $numbers, $bends] = $this->taken($line);
        ($this->plan)($line, $planned, $face->pipe, $taken, $numbers, $keptPipes, $keptJoints, $bends);
    }

    /**
     * As many pipes and bends as the new plan has.
     *
     * @param  list<Pipe>  $own
     * @param  list<PlannedPipe>  $planned
     * @return list<Pipe>
     */
    private static function kept(array $own, array $planned): array
    {
        $bends = \count(array_filter($planned, fn (PlannedPipe $piece): bool => $piece->bend !== null));

        return [
            ...\array_slice(array_values(array_filter($own, fn (Pipe $p): bool => $p->bend === null)), 0, \count($planned) - $bends),
            ...\array_slice(array_values(array_filter($own, fn (Pipe $p): bool => $p->bend !== null)), 0, $bends),
        ];
    }

    /**
     * Pipes behind the face that were only planned, in the order of the line: what somebody has said anything of is not taken for
     * another one.
     *
     * @return list<Pipe>
     */
    private function ownPipes(Line $line, Face $face): array
    {
        $untouched = [];
        foreach ($this->untouched($line)->get() as $pipe) {
            $untouched[$pipe->id] = $pipe;
        }
        $own = [];
        foreach ($face->planned as $joint) {
            foreach ([$joint->pipe_a_id, $joint->pipe_b_id] as $id) {
                if ($id !== null && $id !== $face->pipe?->id && isset($untouched[$id])) {
                    $own[$id] = $untouched[$id];
                }
            }
        }

        return array_values($own);
    }

    /**
     * @param  list<Joint|Pipe>  $models
     * @return list<string>
     */
    private static function ids(array $models): array
    {
        return array_map(fn (Joint|Pipe $model): string => $model->id, $models);
    }

    /** @return Builder<Pipe> of which nobody has said anything */
    private function untouched(Line $line): Builder
    {
        return Pipe::query()
            ->where('line_id', $line->id)
            ->whereNull('user_id')
            ->whereNull('serial')
            ->whereNull('delivery_id')
            ->where('state', Pipe::TO_HAND)
            ->whereDoesntHave('words');
    }

    /** @return Builder<Pipe> of which nobody has said anything, and with which no joint was begun */
    public function onlyPlanned(Line $line): Builder
    {
        $begun = fn (string $end): Builder => Joint::query()
            ->where('line_id', $line->id)->where('state', '!=', 'planned')->whereNotNull($end)->select($end);

        return $this->untouched($line)->whereNotIn('id', $begun('pipe_a_id'))->whereNotIn('id', $begun('pipe_b_id'));
    }

    /** @return Builder<Pipe> that no joint names and of which nobody has said anything: they were only planned */
    private function freePipes(Line $line): Builder
    {
        $named = fn (string $end): Builder => Joint::query()->where('line_id', $line->id)->whereNotNull($end)->select($end);

        return $this->untouched($line)
            ->whereNotIn('id', $named('pipe_a_id'))
            ->whereNotIn('id', $named('pipe_b_id'));
    }

    /** @return array{int, int, int} highest number of a pipe, of a joint and of a bend */
    private function taken(Line $line): array
    {
        $highest = fn (iterable $numbers): int => max([0, ...array_map(intval(...), array_filter([...$numbers], ctype_digit(...)))]);

        $pipes = Pipe::query()->where('line_id', $line->id)->pluck('plain');

        return [
            $highest($pipes),
            $highest(Joint::query()->where('line_id', $line->id)->pluck('number')),
            $highest($pipes->map(fn (string $plain): string => preg_replace('/^'.PlanPipes::BEND.'(?=\d+$)/', '', $plain) ?? '')
                ->diff($pipes)),
        ];
    }
}
