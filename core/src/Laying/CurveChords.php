<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** Pipes as chords of an arc, the joints on it: the angle between two of them, and how far their middles leave the arc. */
#[Calculates(
    'curve-chords',
    'Do these pipes follow the curve?',
    Family::Gasketed,
    ['angle_deg', 'mid_ordinate1_m', 'mid_ordinate2_m', 'tangent_angle1_deg', 'longest_pipe_m', 'needed_radius_m', 'pass', 'verdict'],
    'Geometry: chords of a circle',
    verdicts: ['good', 'bad', 'open'],
)]
final class CurveChords
{
    /**
     * @return array{
     *     angle_deg: float, mid_ordinate1_m: float, mid_ordinate2_m: float, tangent_angle1_deg: float,
     *     longest_pipe_m: float|null, needed_radius_m: float|null, pass: bool|null, verdict: string
     * }
     */
    public function __invoke(
        #[Measure('radius_m', Quantity::Length, above: 0)] float $radius,
        #[Measure('length1_m', Quantity::Length, min: 0.3, max: 20)] float $first,
        #[Measure('length2_m', Quantity::Length, min: 0.3, max: 20)] float $second,
        #[Number('max_joint_angle_deg', above: 0, max: 15, about: 'the share that is used')] ?float $most = null,
    ): array {
        $longer = max($first, $second);
        if ($radius <= 2 * $longer) {
            throw Refused::field('radius_m', "radius_m is {$radius} m; pipes of {$longer} m want more than ".(2 * $longer).' m.');
        }
        $angle = rad2deg(asin($first / 2 / $radius) + asin($second / 2 / $radius));
        $half = $most === null ? null : sin(deg2rad($most) / 2);
        $pass = $most === null ? null : Compare::atMost($angle, $most);

        return [
            'angle_deg' => $angle,
            'mid_ordinate1_m' => self::midOrdinate($first, $radius),
            'mid_ordinate2_m' => self::midOrdinate($second, $radius),
            'tangent_angle1_deg' => rad2deg(asin($first / 2 / $radius)),
            'longest_pipe_m' => $half === null ? null : 2 * $radius * $half,
            'needed_radius_m' => $half === null ? null : $longer / (2 * $half),
            'pass' => $pass,
            'verdict' => Verdict::ofPass($pass)->value,
        ];
    }

    /** Written so that a large radius does not eat its digits. */
    private static function midOrdinate(float $length, float $radius): float
    {
        $square = $length ** 2 / 4;

        return $square / ($radius + sqrt($radius ** 2 - $square));
    }
}
