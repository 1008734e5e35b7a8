<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Units\Quantity;

/**
 * By how much joints turn as they were laid: of each whose own place, and those of both pipe ends beside it, were levelled and measured
 * from the line. The pipes are taken as straight from one place to the next; what the line itself turns is in it.
 */
#[Calculates(
    'laid-angles',
    'By how much do the joints turn as they were laid?',
    Family::Gasketed,
    ['joints', 'max_angle_deg', 'max_at_m', 'least_deg', 'most_deg'],
    'Geometry: angle between two directions in space; what was read is spread over both pipes',
)]
final class LaidAngles
{
    /** A place is that of a pipe end when it lies so near to it, m. */
    private const NEAR_M = 0.3;

    /** Which way the line goes is looked at so far before and behind a place, m. */
    private const ABOUT_M = 0.5;

    /**
     * @param  list<LevelledPlace>  $points
     * @param  non-empty-list<list<float>>  $line  [chainage m, easting m, northing m, level m]
     * @param  list<float>  $ends  chainages of the pipe ends, m: beginning of the line, joints, end of the line
     * @param  list<float>  $bends  m: what turns beside a joint there is the bend, and no joint
     * @return array<string, mixed> `least_deg`, `most_deg`: between these the greatest lies (k = 2); null where no joint can be told, and
     *     the two also where nobody has said how well was read
     */
    public function __invoke(
        #[Items('points', LevelledPlace::class, atLeast: 0, atMost: 5000)] array $points,
        #[Rows('centre_line', ['chainage_m', 'easting_m', 'northing_m', 'level_m'], atLeast: 2)] array $line,
        #[Numbers('ends_m', whole: false, about: 'chainages of the pipe ends')] array $ends,
        #[Measure('level_u_mm', Quantity::Length, min: 0, about: 'uncertainty of a level, k = 2')] ?float $levelU = null,
        #[Measure('off_u_mm', Quantity::Length, min: 0, about: 'uncertainty of an offset, k = 2')] ?float $offU = null,
        #[Numbers('bends_m', whole: false, about: 'chainages of the corners into which bends are set')] array $bends = [],
    ): array {
        /** @var non-empty-list<array{float, float, float, float}> $line four columns, as they were read */
        $centre = new CentreLine($line);
        sort($ends);
        $laid = array_map(fn (float $end): ?SurveyPoint => self::at($end, $points, $centre), $ends);
        $joints = [];
        $worst = null;
        for ($i = 1; $i < \count($ends) - 1; $i++) {
            [$a, $b, $c] = [$laid[$i - 1], $laid[$i], $laid[$i + 1]];
            $isBeside = array_filter($bends, fn (int|float $at): bool => $at > $ends[$i - 1] && $at < $ends[$i + 1]) !== [];
            if ($isBeside || $a === null || $b === null || $c === null || $a->inPlan($b) <= 0 || $b->inPlan($c) <= 0) {
                continue;
            }
            $angle = Direction::between($a, $b)->angleTo(Direction::between($b, $c));
            $u = $levelU === null || $offU === null ? null : self::uncertainty(max($levelU, $offU), $a->distance($b), $b->distance($c));
            $joints[] = ['at_m' => $ends[$i], 'angle_deg' => $angle];
            if ($worst === null || $angle > $worst['angle']) {
                $worst = ['angle' => $angle, 'at' => $ends[$i], 'u' => $u];
            }
        }
        $u = $worst['u'] ?? null;

        return [
            'joints' => $joints,
            'max_angle_deg' => $worst['angle'] ?? null,
            'max_at_m' => $worst['at'] ?? null,
            'least_deg' => $worst === null || $u === null ? null : max(0.0, $worst['angle'] - $u),
            'most_deg' => $worst === null || $u === null ? null : $worst['angle'] + $u,
        ];
    }

    /**
     * Where a pipe end lies: the place that was read nearest to it.
     *
     * @param  list<LevelledPlace>  $points
     */
    private static function at(float $end, array $points, CentreLine $line): ?SurveyPoint
    {
        $near = null;
        foreach ($points as $point) {
            $far = abs($point->at - $end);
            if ($point->off !== null && $far <= self::NEAR_M + 1e-9 && ($near === null || $far < abs($near->at - $end))) {
                $near = $point;
            }
        }
        if ($near === null) {
            return null;
        }
        [$east, $north] = $line->at($near->at);
        [$before, $behind] = [$line->at($near->at - self::ABOUT_M), $line->at($near->at + self::ABOUT_M)];
        [$x, $y] = [$behind[0] - $before[0], $behind[1] - $before[1]];
        $off = (float) $near->off / max(1e-9, hypot($x, $y));

        return new SurveyPoint($east + $off * $y, $north - $off * $x, $near->level);
    }

    /** Three places, each read so well, over two pipes: the middle one counts for both. Degrees, k = 2. */
    private static function uncertainty(float $read, float $before, float $behind): float
    {
        return rad2deg($read * sqrt(1 / $before ** 2 + (1 / $before + 1 / $behind) ** 2 + 1 / $behind ** 2));
    }
}
