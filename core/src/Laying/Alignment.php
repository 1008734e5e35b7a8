<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/**
 * The line that the invert of the pipes must follow, in space: from the points of a survey, or from straights and arcs with a
 * profile. Coordinates are kept from its first point, for those of a map cost digits.
 */
final class Alignment
{
    /** A pipe across a corner covers so much more of the line than its own length, at most. */
    public const BRACKET = 1.1;

    private const CLOSE_M = 1e-11;

    private const STEPS = 60;

    /** What turns by more than this within a pipe's length, radians, is no line for pipes. */
    private const MOST_TURN = 1.0;

    private readonly Spot $end;

    /** What small angles leave out of a quick bound. */
    private const FAIR = 1.1;

    /** @var non-empty-list<float> by how much the line turns at once where each part begins, radians */
    private readonly array $corners;

    /** @var non-empty-list<float> true length from where each part begins to the end, and 0 for the end itself, m */
    private readonly array $lengths;

    /**
     * @param  non-empty-list<AlignmentPart>  $parts  in order, each from where the one before it ends
     * @param  array{float, float, float}  $origin  easting, northing, level of the first point, m
     */
    public function __construct(private readonly array $parts, public readonly array $origin = [0.0, 0.0, 0.0])
    {
        $last = \count($parts) - 1;
        $this->end = $parts[$last]->spot($last, $parts[$last]->to);
        $lengths = [0.0];
        foreach (array_reverse($parts) as $part) {
            $lengths[] = $lengths[\count($lengths) - 1] + $part->trueLength();
        }
        $this->lengths = array_reverse($lengths);
        $corners = [0.0];
        for ($i = 1; $i <= $last; $i++) {
            $before = Direction::along($parts[$i - 1]->slope($parts[$i - 1]->to));
            $corners[] = deg2rad($before->angleTo(Direction::along($parts[$i]->slope($parts[$i]->from))));
        }
        $this->corners = $corners;
    }

    public function from(): float
    {
        return $this->parts[0]->from;
    }

    public function to(): float
    {
        return $this->end->chainage;
    }

    public function end(): Spot
    {
        return $this->end;
    }

    /** @return non-empty-list<AlignmentPart> */
    public function parts(): array
    {
        return $this->parts;
    }

    /** Length of the line in space, m. */
    public function trueLength(): float
    {
        return $this->lengths[0];
    }

    /** The same from a place on. */
    public function trueLengthFrom(Spot $spot): float
    {
        $part = $this->parts[$spot->part];
        $next = $this->lengths[$spot->part + 1];
        $share = ($part->to - $spot->chainage) / ($part->to - $part->from);

        return $next + ($this->lengths[$spot->part] - $next) * max(0.0, min(1.0, $share));
    }

    /**
     * How much of the line a pipe covers at most, for each metre of its own length: on a curve a little more than 1, for a line that
     * turns by θ in all is no longer than its chord by the cosine of θ/2.
     *
     * @param  float  $span  m
     * @return float INF: it turns so much that nothing is known
     */
    public function coversAtMost(float $span): float
    {
        $window = self::BRACKET * $span;
        $most = 0.0;
        $first = 0;
        foreach ($this->parts as $i => $last) {
            while ($this->parts[$first]->to < $last->from - $window) {
                $first++;
            }
            $turn = 0.0;
            for ($k = $first; $k <= $i; $k++) {
                $turn += $this->parts[$k]->turnWithin($window) + ($k > $first ? $this->corners[$k] : 0.0);
            }
            $most = max($most, $turn);
        }

        return $most < self::MOST_TURN ? 1 / cos($most / 2) : INF;
    }

    public function spotAt(float $chainage): Spot
    {
        $part = $this->partAt($chainage);

        return $this->parts[$part]->spot($part, max($this->from(), min($this->to(), $chainage)));
    }

    /** @return array{e_m: float, n_m: float, invert_m: float} a place as the survey has it */
    public function surveyed(Spot $spot): array
    {
        [$east, $north, $level] = $this->origin;

        return ['e_m' => $east + $spot->east, 'n_m' => $north + $spot->north, 'invert_m' => $level + $spot->level];
    }

    /** Which way the line points there: that of the part which begins there, at a corner. */
    public function directionAt(float $chainage): Direction
    {
        return Direction::along($this->parts[$this->partAt($chainage)]->slope($chainage));
    }

    private function partAt(float $chainage): int
    {
        [$low, $high] = [0, \count($this->parts) - 1];
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($this->parts[$middle]->from <= $chainage) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }

        return $low;
    }

    /** @return array{float, float} chainage of the sharpest corner between two others, and by how much it turns, degrees */
    public function sharpestCorner(float $from, float $to): array
    {
        $found = [$from, 0.0];
        foreach ($this->parts as $i => $part) {
            $turn = rad2deg($this->corners[$i]);
            if ($part->from >= $from && $part->from <= $to && $turn > $found[1]) {
                $found = [$part->from, $turn];
            }
        }

        return $found;
    }

    /** The part of it from one chainage to another, m; its places are counted anew. */
    public function within(float $from, float $to): self
    {
        $parts = [];
        foreach ($this->parts as $part) {
            [$begins, $ends] = [max($part->from, $from), min($part->to, $to)];
            if ($ends > $begins) {
                $parts[] = $part->within($begins, $ends);
            }
        }

        return $parts === []
            ? throw new \LogicException("Nothing of the line lies between {$from} and {$to}")
            : new self($parts, $this->origin);
    }

    /** How far it runs straight to where a part of it ends. */
    public function straightBefore(float $chainage): StraightRun
    {
        return $this->straight($this->partAt($chainage) - 1, fn (AlignmentPart $part): float => $part->to);
    }

    /** How far it runs straight on from where a part of it begins. */
    public function straightAfter(float $chainage): StraightRun
    {
        return $this->straight($this->partAt($chainage), fn (AlignmentPart $part): float => $part->from);
    }

    /** @param  \Closure(AlignmentPart): float  $at */
    private function straight(int $part, \Closure $at): StraightRun
    {
        $part = $this->parts[$part] ?? throw new \LogicException('Before the beginning of the line');

        return new StraightRun(
            $part->isStraight ? $part->trueLength() : 0.0,
            $part->planShare,
            Direction::along($part->slope($at($part))),
        );
    }

    /**
     * The curve that a place lies in: an arc, or corners that follow each other within a pipe's length and turn the same way.
     *
     * @param  float  $within  m
     * @return array{radius_m: float, turn_deg: float}|null null: it lies in none
     */
    public function curveAt(float $chainage, float $within): ?array
    {
        $at = $this->partAt($chainage);
        $turn = 0.0;
        $length = 0.0;
        for ($i = $at; $i < \count($this->parts) && $this->bends($i, $within); $i++) {
            $length += $this->parts[$i]->to - $this->parts[$i]->from;
            $turn += $this->parts[$i]->turnWithin(INF) + $this->corners[$i];
        }
        for ($i = $at - 1; $i >= 0 && $this->bends($i, $within); $i--) {
            $length += $this->parts[$i]->to - $this->parts[$i]->from;
            $turn += $this->parts[$i]->turnWithin(INF) + $this->corners[$i];
        }

        return $turn > 1e-6 && $length > 0 ? ['radius_m' => $length / $turn, 'turn_deg' => rad2deg($turn)] : null;
    }

    /** Is it an arc, or a chord between two corners that are near each other? */
    private function bends(int $part, float $within): bool
    {
        $here = $this->parts[$part];

        return ! $here->isStraight
            || $here->to - $here->from <= $within && $this->corners[$part] > 0 && ($this->corners[$part + 1] ?? 0.0) > 0;
    }

    /**
     * The first place beyond that lies so far away, straight through space: where the next joint is.
     *
     * @param  float  $span  m
     * @return Spot|null null: the line ends before, or it turns back too sharply for a pipe of this length
     */
    public function next(Spot $from, float $span): ?Spot
    {
        $part = $this->parts[$from->part];
        $to = $from->chainage + $span * $part->planShare;
        if ($part->isStraight && $to <= $part->to && ! $from->isOff) {
            return $part->spot($from->part, $to);
        }
        $most = min($from->chainage + self::BRACKET * $span, $this->end->chainage);
        if ($most <= $from->chainage) {
            return null;
        }

        return $this->near($from, $span, min($to, $most), $most) ?? $this->between($from, $span, $most);
    }

    /** By Newton's steps: two or three on a curve. Null: a corner made it jump to and fro, or it left the bracket. */
    private function near(Spot $from, float $span, float $guess, float $most): ?Spot
    {
        $at = $from->part;
        $last = \count($this->parts) - 1;
        for ($step = 0; $step < 12; $step++) {
            while ($at < $last && $this->parts[$at]->to < $guess) {
                $at++;
            }
            while ($at > $from->part && $this->parts[$at]->from > $guess) {
                $at--;
            }
            $part = $this->parts[$at];
            [$east, $north, $level] = $part->at($guess);
            $x = $east - $from->east;
            $y = $north - $from->north;
            $z = $level - $from->level;
            $distance = sqrt($x * $x + $y * $y + $z * $z);
            $miss = $distance - $span;
            if (abs($miss) <= self::CLOSE_M) {
                return new Spot($at, $guess, $east, $north, $level);
            }
            [$dx, $dy, $dz] = $part->slope($guess);
            $gain = ($x * $dx + $y * $dy + $z * $dz) / $distance;
            $guess -= $miss / $gain;
            if (! ($gain > 0.5) || $guess > $most || $guess <= $from->chainage) {
                return null;
            }
        }

        return null;
    }

    /** By halving, where the steps did not settle. */
    private function between(Spot $from, float $span, float $most): ?Spot
    {
        $far = $this->spotAt($most);
        if ($from->distance($far) < $span - self::CLOSE_M) {
            return null;
        }
        $low = $from->chainage;
        $high = $most;
        for ($step = 0; $step < self::STEPS && $high - $low > self::CLOSE_M; $step++) {
            $middle = ($low + $high) / 2;
            $spot = $this->spotAt($middle);
            if ($from->distance($spot) < $span) {
                $low = $middle;
            } else {
                $high = $middle;
                $far = $spot;
            }
        }

        return $far;
    }

    /**
     * No further than this the line leaves a pipe that lies straight between two of its places, m: quickly said, of how it curves
     * and of its corners between, each as if it were in the middle.
     */
    public function offBarrelAtMost(Spot $from, Spot $to): float
    {
        if ($from->isOff) {
            return INF;
        }
        $span = $to->chainage - $from->chainage;
        $most = 0.0;
        $corners = 0.0;
        for ($part = $from->part; $part <= $to->part; $part++) {
            $most = max($most, $this->parts[$part]->turnWithin(1.0) / min(1.0, $this->parts[$part]->to - $this->parts[$part]->from));
            $corners += $part > $from->part ? $this->corners[$part] : 0.0;
        }

        return self::FAIR * ($span ** 2 / 8 * $most + $span / 4 * $corners);
    }

    /**
     * How far the line leaves a pipe that lies straight between two of its places: looked at in twenty places and at each end of a
     * part between.
     */
    public function off(Spot $from, Spot $to): OffLine
    {
        if ($from->part === $to->part && $this->parts[$from->part]->isStraight && ! $from->isOff) {
            return new OffLine;
        }
        $places = [];
        for ($step = 1; $step < 20; $step++) {
            $places[] = $from->chainage + ($to->chainage - $from->chainage) * $step / 20;
        }
        for ($part = $from->part; $part < $to->part; $part++) {
            $places[] = $this->parts[$part]->to;
        }
        [$east, $north, $up] = [$to->east - $from->east, $to->north - $from->north, $to->level - $from->level];
        $length = $from->distance($to);
        $plan = hypot($east, $north);
        [$most, $side, $level] = [0.0, 0.0, 0.0];
        foreach ($places as $chainage) {
            $spot = $this->spotAt($chainage);
            [$x, $y, $z] = [$spot->east - $from->east, $spot->north - $from->north, $spot->level - $from->level];
            $on = ($x * $east + $y * $north + $z * $up) / $length;
            $most = max($most, sqrt(max(0.0, $x * $x + $y * $y + $z * $z - $on * $on)));
            $side = max($side, abs($x * $north - $y * $east) / $plan);
            $level = max($level, abs($z - $up * ($x * $east + $y * $north) / $plan ** 2));
        }

        return new OffLine($most, $side, $level);
    }
}
