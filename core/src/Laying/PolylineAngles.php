<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;

/** As laid: what the surveyed points of a line say of its pipes and of the angle at each joint between them. */
#[Calculates(
    'polyline-angles',
    'Which angles have the joints as they were laid?',
    Family::Gasketed,
    ['lengths_m', 'angles_deg', 'turn_hours', 'max_angle_deg', 'failed_points', 'pass', 'verdict'],
    'Geometry: angle between two directions in space',
    verdicts: ['good', 'bad', 'open'],
)]
final class PolylineAngles
{
    /**
     * @param  list<SurveyPoint>  $points
     * @return array{
     *     lengths_m: list<float>, angles_deg: list<float>, turn_hours: list<float|null>, max_angle_deg: float,
     *     failed_points: list<int>, pass: bool|null, verdict: string
     * } points counted from 1
     */
    public function __invoke(
        #[Items('points', SurveyPoint::class, atLeast: 3)] array $points,
        #[Number('max_joint_angle_deg', above: 0, max: 15)] ?float $most = null,
    ): array {
        $lengths = $angles = $hours = $failed = [];
        $before = null;
        for ($i = 1; $i < \count($points); $i++) {
            if ($points[$i - 1]->inPlan($points[$i]) <= 0) {
                throw Refused::field('points', "points {$i} and ".($i + 1).' lie one above the other: no pipe goes between them.');
            }
            $lengths[] = $points[$i - 1]->distance($points[$i]);
            $here = Direction::between($points[$i - 1], $points[$i]);
            if ($before !== null) {
                $angles[] = $angle = $before->angleTo($here);
                $hours[] = $before->hourTo($here);
                if ($most !== null && ! Compare::atMost($angle, $most)) {
                    $failed[] = $i;
                }
            }
            $before = $here;
        }
        $pass = $most === null ? null : $failed === [];

        return [
            'lengths_m' => $lengths, 'angles_deg' => $angles, 'turn_hours' => $hours, 'max_angle_deg' => max([0.0, ...$angles]),
            'failed_points' => $failed, 'pass' => $pass, 'verdict' => Verdict::ofPass($pass)->value,
        ];
    }
}
