<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\User;
use App\Support\Conflict;
use Diastoma\Core\Refused;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A bad joint is cut out: it stays in the record, and a short new piece brings two new joints in its place. */
final class CutOutJoint
{
    private const PIECE_M = 1.0;

    /** @return list<Joint> two new ones in its place; none for what sits on a pipe: another is fused beside it */
    public function __invoke(Joint $joint, User $by, string $reason, float $pieceM = self::PIECE_M): array
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
            if ($joint->place !== 'in-line') {
                return [];
            }
            $piece = "{$joint->number}P";
            $pipes = $joint->pipes ?? ['a' => 'laid', 'b' => 'new'];
            $new = [];
            foreach ([['A', -$pieceM / 2, ['a' => $pipes['a'], 'b' => $piece]], ['B', $pieceM / 2, ['a' => $piece, 'b' => $pipes['b']]]] as [$letter, $shift, $ends]) {
                $new[] = Joint::query()->create([
                    'id' => (string) Str::uuid(), 'line_id' => $joint->line_id, 'number' => $joint->number.$letter,
                    'chainage_m' => $joint->chainage_m + $shift, 'procedure_hash' => $joint->procedure_hash, 'replaces_id' => $joint->id, 'pipes' => $ends,
                ]);
            }

            return $new;
        });
    }
}
