<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Numbers;

/** How many joints make a turn, or, where they are too few, which bends with them. */
#[Calculates(
    'turn-joints',
    'How many joints make this turn, or which bends?',
    Family::Gasketed,
    ['joints_needed', 'angle_each_deg', 'bends_deg', 'residual_deg'],
    'Arithmetic; the share of the angle that is used is the procedure\'s',
)]
final class TurnJoints
{
    private const BENDS = [11.25, 22.5, 45, 90];

    /**
     * @param  list<int|float>  $bends
     * @return array{joints_needed: int, angle_each_deg: float, bends_deg: list<float>|null, residual_deg: float|null}
     */
    public function __invoke(
        #[Number('turn_deg', min: 0, max: 180)] float $turn,
        #[Number('max_joint_angle_deg', above: 0, max: 15)] float $most,
        #[Number('working_share', above: 0, max: 1)] float $share,
        #[Number('joints_available', min: 0, whole: true)] ?float $available = null,
        #[Numbers('bends_deg', whole: false)] array $bends = self::BENDS,
        #[Number('max_bends', min: 0, max: 6, whole: true)] float $mostBends = 3.0,
    ): array {
        $use = $most * $share;
        $needed = (int) ceil($turn / $use - 1e-9);
        $enough = $available === null || $needed <= $available;
        $set = $enough ? [] : self::fewest(array_map(floatval(...), $bends), (int) $mostBends, $turn, (float) $available * $use);

        return [
            'joints_needed' => $needed,
            'angle_each_deg' => $needed === 0 ? 0.0 : $turn / $needed,
            'bends_deg' => $set,
            'residual_deg' => $set === null ? null : $turn - array_sum($set),
        ];
    }

    /**
     * The smallest set whose rest the joints can take, of those the one with the least rest.
     *
     * @param  list<float>  $bends
     * @return list<float>|null
     */
    private static function fewest(array $bends, int $most, float $turn, float $canTake): ?array
    {
        $sets = [[]];
        for ($n = 1; $n <= $most; $n++) {
            $longer = [];
            foreach ($sets as $set) {
                foreach ($bends as $bend) {
                    if ($set === [] || $bend >= $set[\count($set) - 1]) {
                        $longer[] = [...$set, $bend];
                    }
                }
            }
            $sets = $longer;
            $fits = array_filter($sets, fn (array $set) => abs($turn - array_sum($set)) <= $canTake + 1e-9);
            if ($fits !== []) {
                usort($fits, fn (array $a, array $b) => abs($turn - array_sum($a)) <=> abs($turn - array_sum($b)));

                return $fits[0];
            }
        }

        return null;
    }
}
