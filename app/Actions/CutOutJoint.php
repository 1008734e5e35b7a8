<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\User;
use App\Support\Conflict;
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
                throw new Conflict('joint', "Joint {$joint->number} is cut out already.");
            }
            if ($joint->state === 'planned') {
                throw Refused::field('joint', "Joint {$joint->number} is not made yet: there is nothing to cut out.");
            }
            $joint->update(['state' => 'cut-out', 'cut_out_at' => now(), 'cut_out_reason' => $reason, 'cut_out_by' => $by->id]);

            return array_map(fn (array $new) => Joint::query()->create([
                'id' => (string) Str::uuid(), 'line_id' => $joint->line_id, 'number' => $joint->number.$new['letter'], 'chainage_m' => $joint->chainage_m + $new['shift'],
                'procedure_hash' => $joint->procedure_hash, 'replaces_id' => $joint->id, 'pipes' => $new['pipes'],
            ]), $this->inItsPlace($joint, $joint->procedure()->tells->cutOut, $pieceM));
        });
    }

    /** @return list<array{letter: string, shift: float, pipes: array{a: string, b: string}}> */
    private function inItsPlace(Joint $joint, CutOut $cutOut, ?float $pieceM): array
    {
        $pipes = $joint->pipes ?? ['a' => 'laid', 'b' => 'new'];
        $half = ($pieceM ?? $cutOut->pieceM) / 2;
        $piece = "{$joint->number}P";

        return match ($cutOut->joints) {
            0 => [],
            1 => [['letter' => 'A', 'shift' => 0.0, 'pipes' => $pipes]],
            default => [
                ['letter' => 'A', 'shift' => -$half, 'pipes' => ['a' => $pipes['a'], 'b' => $piece]],
                ['letter' => 'B', 'shift' => $half, 'pipes' => ['a' => $piece, 'b' => $pipes['b']]],
            ],
        };
    }
}
