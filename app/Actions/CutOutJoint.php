<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Pipe;
use App\Models\User;
use App\Support\Conflict;
use App\Support\Say;
use Diastoma\Core\Pipe\PipeNumber;
use Diastoma\Core\Procedure\Tells\CutOut;
use Diastoma\Core\Refused;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A bad joint is cut out: it stays in the record, and what its procedure says takes its place. */
final class CutOutJoint
{
    /**
     * @param  float|null  $pieceM  length of the piece of pipe that is put in, m; null: as the procedure has it
     * @return list<Joint> two new ones with a piece between them, one, or none where another is made beside it
     */
    public function __invoke(Joint $joint, User $by, string $reason, ?float $pieceM = null): array
    {
        return DB::transaction(function () use ($joint, $by, $reason, $pieceM): array {
            $joint = Joint::query()->lockForUpdate()->findOrFail($joint->id);
            if ($joint->cut_out_at !== null) {
                throw new Conflict('joint', Say::text('refused.cutOutAlready', ['number' => $joint->number]));
            }
            if ($joint->state === 'planned') {
                throw Refused::field('joint', Say::text('refused.nothingToCutOut', ['number' => $joint->number]));
            }
            $joint->update(['state' => 'cut-out', 'cut_out_at' => now(), 'cut_out_reason' => $reason, 'cut_out_by' => $by->id]);

            return $this->inItsPlace($joint, $joint->procedure()->tells->cutOut, $pieceM, $by);
        });
    }

    /** @return list<Joint> */
    private function inItsPlace(Joint $joint, CutOut $cutOut, ?float $pieceM, User $by): array
    {
        $ends = ['a' => $joint->pipeOf('a'), 'b' => $joint->pipeOf('b')];
        if ($cutOut->joints < 2) {
            return $cutOut->joints === 0 ? [] : [$this->joint($joint, 'A', 0.0, $ends)];
        }
        $length = $pieceM ?? $cutOut->pieceM;
        $number = self::freeNumber($joint->line_id, "{$joint->number}P");
        $piece = Pipe::query()->create([
            'line_id' => $joint->line_id,
            'number' => $number,
            'plain' => PipeNumber::plain($number),
            'size' => $ends['a']->size ?? $joint->line()->pipe,
            'length_m' => $length,
            'user_id' => $by->id,
        ]);

        return [
            $this->joint($joint, 'A', -$length / 2, ['a' => $ends['a'], 'b' => $piece]),
            $this->joint($joint, 'B', $length / 2, ['a' => $piece, 'b' => $ends['b']]),
        ];
    }

    /** The number of a piece of pipe; where somebody has painted it on another one, the next: 7P, 7P2, 7P3. */
    private static function freeNumber(string $line, string $wanted): string
    {
        $number = $wanted;
        for ($n = 2; Pipe::query()->where('line_id', $line)->where('plain', PipeNumber::plain($number))->exists(); $n++) {
            $number = $wanted.$n;
        }

        return $number;
    }

    /** @param  array<'a'|'b', Pipe|null>  $ends */
    private function joint(Joint $old, string $letter, float $shift, array $ends): Joint
    {
        $new = new Joint([
            'id' => (string) Str::uuid(),
            'line_id' => $old->line_id,
            'number' => $old->number.$letter,
            'chainage_m' => $old->chainage_m + $shift,
            'procedure_hash' => $old->procedure_hash,
            'replaces_id' => $old->id,
        ]);
        $new->meets($ends);
        $new->save();

        return $new;
    }
}
