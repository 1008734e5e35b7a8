<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Compare;

/** Which way a pipe points: east, north, up, of length 1. */
final readonly class Direction
{
    /** Below this a joint is straight, and turns nowhere, degrees. */
    private const STRAIGHT_DEG = 1e-6;

    /** Below this an hour is 12: what atan2 leaves over. */
    private const NO_HOUR = 1e-9;

    private function __construct(private float $east, private float $north, private float $up)
    {
    }

    /**
     * @param  float  $azimuth  degrees clockwise from north
     * @param  float  $grade  rise over run
     */
    public static function towards(float $azimuth, float $grade): self
    {
        $slope = atan($grade);

        return new self(sin(deg2rad($azimuth)) * cos($slope), cos(deg2rad($azimuth)) * cos($slope), sin($slope));
    }

    /** From one point to another that is not the same in plan. */
    public static function between(SurveyPoint $from, SurveyPoint $to): self
    {
        $length = $from->distance($to);

        return new self(($to->east - $from->east) / $length, ($to->north - $from->north) / $length, ($to->level - $from->level) / $length);
    }

    /** @param  float  $length  m between the two */
    public static function fromSpot(Spot $from, Spot $to, float $length): self
    {
        return new self(($to->east - $from->east) / $length, ($to->north - $from->north) / $length, ($to->level - $from->level) / $length);
    }

    /** @param  array{float, float, float}  $slope  east, north and up that go with each other, not all of them 0 */
    public static function along(array $slope): self
    {
        $length = sqrt($slope[0] ** 2 + $slope[1] ** 2 + $slope[2] ** 2);

        return new self($slope[0] / $length, $slope[1] / $length, $slope[2] / $length);
    }

    /** Angle between the two, degrees: of sine and cosine, for the arc of the cosine alone loses its digits when it is small. */
    public function angleTo(self $other): float
    {
        $cross = [
            $this->north * $other->up - $this->up * $other->north,
            $this->up * $other->east - $this->east * $other->up,
            $this->east * $other->north - $this->north * $other->east,
        ];

        return rad2deg(atan2(
            sqrt($cross[0] ** 2 + $cross[1] ** 2 + $cross[2] ** 2),
            $this->east * $other->east + $this->north * $other->north + $this->up * $other->up,
        ));
    }

    /** Turned by so many degrees in the plane of the two, towards the other one. */
    public function turned(self $towards, float $degrees): self
    {
        $angle = deg2rad($this->angleTo($towards));
        [$own, $others] = [sin($angle - deg2rad($degrees)) / sin($angle), sin(deg2rad($degrees)) / sin($angle)];

        return new self(
            $own * $this->east + $others * $towards->east,
            $own * $this->north + $others * $towards->north,
            $own * $this->up + $others * $towards->up,
        );
    }

    /** @return float degrees clockwise from north, in [0, 360) */
    public function azimuth(): float
    {
        return fmod(rad2deg(atan2($this->east, $this->north)) + 360, 360);
    }

    /** @return float rise over run */
    public function grade(): float
    {
        return $this->up / hypot($this->east, $this->north);
    }

    /** @return float degrees in plan, plus to the right */
    public function turnRight(self $other): float
    {
        $turn = $other->azimuth() - $this->azimuth();

        return $turn - 360 * round($turn / 360);
    }

    /** @return float how much of the way from one to the other, both of length 1, goes up */
    public function riseTo(self $other): float
    {
        return $other->up - $this->up;
    }

    /** @return float degrees, plus upwards */
    public function turnUp(self $other): float
    {
        return rad2deg(atan($other->grade()) - atan($this->grade()));
    }

    /** @return float|null hour on the clock towards which the line turns, in (0, 12], seen along this direction; null: straight on */
    public function hourTo(self $other): ?float
    {
        if (Compare::atMost($this->angleTo($other), self::STRAIGHT_DEG)) {
            return null;
        }
        $level = hypot($this->east, $this->north);
        $right = [$this->north / $level, -$this->east / $level];
        $toRight = $other->east * $right[0] + $other->north * $right[1];
        $above = [-$right[1] * -$this->up, $right[0] * -$this->up, $level];
        $toTop = $other->east * $above[0] + $other->north * $above[1] + $other->up * $above[2];
        $hour = fmod(rad2deg(atan2($toRight, $toTop)) / 30 + 12, 12);

        return $hour < self::NO_HOUR || $hour > 12 - self::NO_HOUR ? 12.0 : $hour;
    }
}
