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

/** A bad joint is cut out or pulled apart: it stays in the record, and what its procedure says takes its place. */
final class CutOutJoint
{
    /**
     * @param  float|null  $pieceM  length of the piece of pipe that is put in, m; null: as the procedure has it
     * @param  bool  $apart  it is pulled apart, and the same pipes are joined again
     * @return list<Joint> two new ones with a piece between them, one, or none where another is made beside it
     */
    public function __invoke(Joint $joint, User $by, string $reason, ?float $pieceM = null, bool $apart = false): array
    {
        return DB::transaction(function () use ($joint, $by, $reason, $pieceM, $apart): array {
            $joint = Joint::query()->lockForUpdate()->findOrFail($joint->id);
            if ($joint->cut_out_at !== null) {
                throw new Conflict(
                    'joint',
                    Say::text($joint->pulled_apart ? 'refused.pulledApartAlready' : 'refused.cutOutAlready', ['number' => $joint->number]),
                );
            }
            if ($joint->state === 'planned') {
                throw Refused::field('joint', Say::text('refused.nothingToCutOut', ['number' => $joint->number]));
            }
            if ($apart) {
                self::mustComeApart($joint);
            }
            $joint->update([
                'state' => 'cut-out',
                'pulled_apart' => $apart,
                'cut_out_at' => now(),
                'cut_out_reason' => $reason,
                'cut_out_by' => $by->id,
            ]);

            return $apart ? [$this->again($joint)] : $this->inItsPlace($joint, $joint->procedure()->tells->cutOut, $pieceM, $by);
        });
    }

    private static function mustComeApart(Joint $joint): void
    {
        if (! $joint->procedure()->tells->cutOut->rejoins) {
            throw Refused::field('pulled_apart', Say::text('refused.doesNotComeApart', ['number' => $joint->number]));
        }
        if ($joint->sealed_at !== null) {
            throw new Conflict('joint', Say::text('refused.acceptedIsCutOut', ['number' => $joint->number]));
        }
    }

    /** The same pipes at the same place: 4R in place of 4, then 4R2. */
    private function again(Joint $old): Joint
    {
        $first = (string) preg_replace('/R\d*$/', '', $old->number);
        $letter = 'R';
        for ($n = 2; Joint::query()->where('line_id', $old->line_id)->where('number', $first.$letter)->exists(); $n++) {
            $letter = "R{$n}";
        }

        return $this->joint($old, $first.$letter, 0.0, ['a' => $old->pipeOf('a'), 'b' => $old->pipeOf('b')]);
    }

    /** @return list<Joint> */
    private function inItsPlace(Joint $joint, CutOut $cutOut, ?float $pieceM, User $by): array
    {
        $ends = ['a' => $joint->pipeOf('a'), 'b' => $joint->pipeOf('b')];
        if ($cutOut->joints < 2) {
            return $cutOut->joints === 0 ? [] : [$this->joint($joint, "{$joint->number}A", 0.0, $ends)];
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
            $this->joint($joint, "{$joint->number}A", -$length / 2, ['a' => $ends['a'], 'b' => $piece]),
            $this->joint($joint, "{$joint->number}B", $length / 2, ['a' => $piece, 'b' => $ends['b']]),
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
    private function joint(Joint $old, string $number, float $shift, array $ends): Joint
    {
        $new = new Joint([
            'id' => (string) Str::uuid(),
            'line_id' => $old->line_id,
            'number' => $number,
            'chainage_m' => $old->chainage_m + $shift,
            'procedure_hash' => $old->procedure_hash,
            'replaces_id' => $old->id,
        ]);
        $new->meets($ends);
        $new->save();

        return $new;
    }
}
