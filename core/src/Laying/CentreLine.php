<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** The centre line of a main, to be asked for the place of many chainages: each answer costs the logarithm of its points. */
final readonly class CentreLine
{
    /** @param  non-empty-list<array{float, float, float, float}>  $points  [chainage m, easting m, northing m, level m], chainage rising */
    public function __construct(private array $points)
    {
    }

    /**
     * Straight between the points; beyond an end that end itself.
     *
     * @param  float  $chainage  m
     * @return array{float, float, float} easting, northing, level, m
     */
    public function at(float $chainage): array
    {
        [$low, $high] = [0, \count($this->points) - 1];
        if ($chainage <= $this->points[$low][0]) {
            return self::place($this->points[$low]);
        }
        if ($chainage >= $this->points[$high][0]) {
            return self::place($this->points[$high]);
        }
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            if ($this->points[$middle][0] <= $chainage) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }
        [$from, $to] = [$this->points[$low], $this->points[$high]];
        $share = ($chainage - $from[0]) / ($to[0] - $from[0]);

        return [$from[1] + $share * ($to[1] - $from[1]), $from[2] + $share * ($to[2] - $from[2]), $from[3] + $share * ($to[3] - $from[3])];
    }

    /**
     * The place of the line that lies nearest to a point, seen from above; of several equally near the first.
     *
     * @param  float  $easting  m
     * @param  float  $northing  m
     * @return array{float, float} chainage, m; distance of the point from there, m: plus to the right of the laying direction
     */
    public function nearest(float $easting, float $northing): array
    {
        $found = [$this->points[0][0], INF];
        for ($i = 1; $i < \count($this->points); $i++) {
            [$from, $to] = [$this->points[$i - 1], $this->points[$i]];
            [$east, $north] = [$to[1] - $from[1], $to[2] - $from[2]];
            $square = $east ** 2 + $north ** 2;
            $share = $square == 0.0 ? 0.0 : (($easting - $from[1]) * $east + ($northing - $from[2]) * $north) / $square;
            $share = max(0.0, min(1.0, $share));
            [$x, $y] = [$easting - $from[1] - $share * $east, $northing - $from[2] - $share * $north];
            $distance = hypot($x, $y);
            if ($distance < abs($found[1])) {
                $found = [$from[0] + $share * ($to[0] - $from[0]), $east * $y - $north * $x > 0 ? -$distance : $distance];
            }
        }

        return $found[1] === INF ? [$found[0], hypot($easting - $this->points[0][1], $northing - $this->points[0][2])] : $found;
    }

    /** By how far a point lies before the beginning or behind the end of the line, along it, m; 0 beside the line. */
    public function beyond(float $easting, float $northing): float
    {
        $last = \count($this->points) - 1;
        [$chainage] = $this->nearest($easting, $northing);
        $before = function (array $end, array $next) use ($easting, $northing): float {
            [$east, $north] = [$end[1] - $next[1], $end[2] - $next[2]];

            return (($easting - $end[1]) * $east + ($northing - $end[2]) * $north) / max(1e-9, hypot($east, $north));
        };

        return max(0.0, match (true) {
            $last === 0 => 0.0,
            $chainage <= $this->points[0][0] => $before($this->points[0], $this->points[1]),
            $chainage >= $this->points[$last][0] => $before($this->points[$last], $this->points[$last - 1]),
            default => 0.0,
        });
    }

    /**
     * @param  array{float, float, float, float}  $point
     * @return array{float, float, float}
     */
    private static function place(array $point): array
    {
        return [$point[1], $point[2], $point[3]];
    }

    /** @return float m */
    public function levelAt(float $chainage): float
    {
        return $this->at($chainage)[2];
    }
}
