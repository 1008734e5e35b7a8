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
