<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Pipe;
use App\Models\Stretch;
use App\Models\User;
use Diastoma\Core\Pipe\PipeNumber;
use Diastoma\Core\Procedure\Tells\Receives;
use Diastoma\Core\Procedure\Tells\Told;
use Illuminate\Database\Eloquent\Builder;

/**
 * What the record of a stretch says of the line: pipes that came with a delivery are put into its list, batches are kept to be
 * offered at its joints, and joints that were covered, or laid bare again, know it. Said as often as it is judged, it comes to the
 * same.
 *
 * @phpstan-import-type Came from Receives
 */
final class NoteOnLine
{
    public function __construct(private readonly SayOfPipe $say)
    {
    }

    public function __invoke(Stretch $stretch, Told $told): void
    {
        if ($stretch->sealed_at !== null) {
            return;
        }
        if ($told->received !== null) {
            $this->received($stretch, $told->received['pipes'], $told->received['from']);
            $stretch->update(['batches' => $told->received['batches']]);
        }
        $tells = $stretch->procedure()->tells;
        if ($tells->covers() || $tells->uncovers()) {
            $stretch->update(['covered_from' => $told->coveredAt, 'bare_from' => $told->openedAt]);
            $this->lie($stretch);
        }
    }

    /** @param  list<Came>  $came */
    private function received(Stretch $stretch, array $came, ?string $from): void
    {
        $line = $stretch->line();
        $by = User::query()->findOrFail($stretch->recorded()->last()->user_id ?? $stretch->getAttribute('user_id'));
        $known = Pipe::query()->with('words')->where('line_id', $line->id)->get()->keyBy('plain');
        foreach ($came as $one) {
            $pipe = $known->get(PipeNumber::plain($one['number'])) ?? Pipe::findOrMake($line, $one['number'], $by->id);
            if ($pipe->delivery_id !== null && $pipe->delivery_id !== $stretch->id) {
                continue;
            }
            $pipe->update(['delivery_id' => $stretch->id, 'source' => $from ?? $pipe->source] + array_filter([
                'serial' => $one['serial'], 'length_m' => $one['length_m'],
            ]));
            // Said once: who accepts it again later is not contradicted by the next judgement.
            if ($one['rejected'] !== null && $pipe->state !== Pipe::REJECTED && ! $pipe->words->contains('reason', $one['rejected'])) {
                ($this->say)($pipe, $by, true, $one['rejected']);
            }
        }
        $this->takeBack($stretch, array_map(fn (array $one) => PipeNumber::plain($one['number']), $came));
    }

    /**
     * A number that was misread and put right: its pipe never came. One of which nobody said anything else goes, the others
     * lose only that they came with this delivery.
     *
     * @param  list<string>  $plain  numbers that came
     */
    private function takeBack(Stretch $stretch, array $plain): void
    {
        $gone = Pipe::query()->where('delivery_id', $stretch->id)->whereNotIn('plain', $plain)->get();
        foreach ($gone as $pipe) {
            $isPlanned = Joint::query()->where('pipe_a_id', $pipe->id)->orWhere('pipe_b_id', $pipe->id)->exists();
            if ($isPlanned || $pipe->words()->exists()) {
                $pipe->update(['delivery_id' => null, 'source' => null]);
            } else {
                $pipe->delete();
            }
        }
    }

    /** How the joints here lie is said by whatever covered them or laid them bare last. */
    private function lie(Stretch $stretch): void
    {
        // Of two who cover and open at once the second finds what the first has done.
        $joints = $stretch->jointsWithin()->lockForUpdate()->get();
        $events = Stretch::query()
            ->where('line_id', $stretch->line_id)
            ->where(fn (Builder $q) => $q->whereNotNull('covered_from')->orWhereNotNull('bare_from'))
            ->get()
            ->sortBy(fn (Stretch $s) => (new \DateTimeImmutable((string) ($s->covered_from ?? $s->bare_from)))->getTimestamp());
        foreach ($joints as $joint) {
            $last = $events->filter(fn (Stretch $s) => $s->reaches($joint->chainage_m))->last();
            $joint->update([
                'covered_at' => $last?->covered_from,
                'covering_id' => $last?->covered_from === null ? null : $last->id,
                'bare_at' => $last?->bare_from,
                'opening_id' => $last?->bare_from === null ? null : $last->id,
            ]);
        }
    }
}
