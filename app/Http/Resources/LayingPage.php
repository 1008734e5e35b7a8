<?php

namespace App\Http\Resources;

use App\Laying\Face;
use App\Laying\LayingFiles;
use App\Laying\LayOut;
use App\Laying\PipesToHand;
use App\Models\LayingPlan;
use App\Models\Line;
use App\Models\Role;

/** What the page of the laying plan starts from: the face, how far a joint may turn, what is to hand, what was asked last. */
final class LayingPage
{
    /** Of the limit nine tenths are used where nobody has said otherwise: a tenth is kept for the hand. */
    private const SHARE = 0.9;

    /** Places and lengths that differ by less are the same, m: the gap at a joint is among it. */
    private const SAME_M = 0.02;

    /** Shorter than this a crew cuts no piece where nobody has said otherwise, m. */
    private const LEAST_M = 1.0;

    /**
     * What was asked last, less the pipes that lie since.
     *
     * @return array<string, mixed>
     */
    private static function left(LayingPlan $plan, Face $face): array
    {
        $asked = $plan->asked;
        /** @var list<array{length_m: float|int, count: int|null}> $stock */
        $stock = $asked['stock'] ?? [];
        foreach ($plan->rows as $row) {
            if ($row['to_m'] > $face->from + self::SAME_M) {
                break;
            }
            if (isset($row['bend'])) {
                continue;
            }
            foreach ($stock as $i => $pipe) {
                if ($pipe['count'] !== null && abs($pipe['length_m'] - ($row['cut_from_m'] ?? $row['length_m'])) < self::SAME_M) {
                    $stock[$i]['count'] = max(0, $pipe['count'] - 1);
                }
            }
        }

        $bends = array_values(array_filter($asked['bends'] ?? [], fn (array $bend): bool => $bend['at_m'] > $face->from));

        return ['stock' => $stock, 'bends' => $bends, 'off_right_m' => 0.0, 'off_up_m' => 0.0] + $asked;
    }

    /** @return array<string, mixed> */
    public static function of(Line $line, Face $face, Role $role): array
    {
        $line->loadMissing(['project', 'procedureText']);
        $turns = LayOut::turns($line);
        $toHand = app(PipesToHand::class)($line, $face);
        $plan = LayingPlan::lastOf($line);
        $plan?->load('user');

        return [
            'from_m' => round($face->from, 4),
            'face' => $face->joint?->number,
            'pipe' => $face->pipe?->number,
            'turns' => $turns,
            'to_hand' => $toHand,
            'may_lay_down' => $role->mayPlan(),
            'asked' => ($plan === null ? [] : self::left($plan, $face)) + [
                'stock' => $toHand === [] ? [['length_m' => min(20.0, $line->pipe_length_m), 'count' => null]] : $toHand,
                'max_joint_angle_deg' => $turns['limit_deg'] ?? null,
                'limit_source' => null,
                'working_share' => self::SHARE,
                'min_piece_m' => min(self::LEAST_M, $line->pipe_length_m),
                'joint_allowance_m' => 0.0,
                'barrel_tol_m' => null,
                'side_tol_m' => null,
                'level_tol_m' => null,
                'allow_phase_cuts' => false,
                'off_right_m' => 0.0,
                'off_up_m' => 0.0,
                'bends' => [],
                'ground' => [],
                'least_cover_m' => null,
                'ground_u_m' => null,
            ],
            'plan' => $plan === null ? null : [
                'at' => $plan->made_at->toIso8601ZuluString(), 'by' => $plan->user->name, 'reason' => $plan->reason,
                'from_m' => $plan->from_m, 'rows' => LayingFiles::rows($plan),
            ],
        ];
    }
}
