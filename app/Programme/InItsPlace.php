<?php

namespace App\Programme;

use App\Models\Joint;

/** What will be made in the place of a bad joint, were it cut out or pulled apart today: planned with, and kept nowhere. */
final class InItsPlace
{
    /** @return list<Joint> in the order of the line */
    public static function of(Joint $bad): array
    {
        $cutOut = $bad->procedure()->tells->cutOut;
        // What is sealed is cut out; what is not may come apart.
        if ($cutOut->rejoins && $bad->sealed_at === null) {
            return [self::joint($bad, 'R', 0.0)];
        }

        return match ($cutOut->joints) {
            0 => [],
            1 => [self::joint($bad, 'A', 0.0)],
            default => [self::joint($bad, 'A', -$cutOut->pieceM / 2), self::joint($bad, 'B', $cutOut->pieceM / 2)],
        };
    }

    private static function joint(Joint $bad, string $letter, float $shift): Joint
    {
        $joint = new Joint([
            'id' => $bad->id.$letter, 'number' => $bad->number.$letter, 'chainage_m' => $bad->chainage_m + $shift, 'place' => 'in-line',
            'line_id' => $bad->line_id, 'state' => 'planned', 'replaces_id' => $bad->id, 'procedure_hash' => $bad->procedure_hash,
        ]);

        return $joint->setRelation('ofLine', $bad->line())->setRelation('procedureText', $bad->text());
    }
}
