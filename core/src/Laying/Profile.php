<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Refused;

/** The levels of a line along its chainage: straight between its points, a parabola centred on those with a length of curve. */
final readonly class Profile
{
    private const SLACK_M = 1e-6;

    /**
     * @param  list<ProfilePoint>  $points  none: level, at 0 m
     * @param  float  $length  of the line, m
     */
    public function __construct(private array $points, private float $length)
    {
    }

    /**
     * @return non-empty-list<Grade> in order, over the whole line
     *
     * @throws Refused
     */
    public function grades(): array
    {
        if ($this->points === []) {
            return [new Grade(0.0, $this->length, 0.0, 0.0)];
        }
        $this->refuse();
        $grades = [];
        $from = $this->points[0]->chainage;
        $level = $this->points[0]->invert;
        for ($i = 1; $i < \count($this->points); $i++) {
            $point = $this->points[$i];
            $in = $this->gradeBefore($i);
            $begins = $point->chainage - $point->curve / 2;
            if ($begins > $from) {
                $grades[] = new Grade($from, $begins, $level, $in);
                $level += $in * ($begins - $from);
                $from = $begins;
            }
            if ($point->curve > 0) {
                $out = $this->gradeBefore($i + 1);
                $grades[] = $curve = new Grade($from, $from + $point->curve, $level, $in, ($out - $in) / $point->curve);
                $from += $point->curve;
                $level = $curve->levelAt($from);
            }
        }

        return $grades === [] ? [new Grade(0.0, $this->length, $level, 0.0)] : $grades;
    }

    private function gradeBefore(int $i): float
    {
        [$from, $to] = [$this->points[$i - 1], $this->points[$i]];

        return ($to->invert - $from->invert) / ($to->chainage - $from->chainage);
    }

    private function refuse(): void
    {
        $last = \count($this->points) - 1;
        $free = -INF;
        foreach ($this->points as $i => $point) {
            $row = $i + 1;
            if ($i > 0 && $point->chainage <= $this->points[$i - 1]->chainage) {
                throw Refused::field('line', "line.profile, row {$row}: chainage_m must rise from row to row.");
            }
            if ($point->curve > 0 && ($i === 0 || $i === $last)) {
                throw Refused::field('line', "line.profile, row {$row}: no curve lies about the first or the last point.");
            }
            if ($point->chainage - $point->curve / 2 < $free - self::SLACK_M) {
                throw Refused::field('line', "line.profile, row {$row}: its curve overlaps the one before it.");
            }
            $free = $point->chainage + $point->curve / 2;
            $next = $this->points[$i + 1] ?? null;
            if ($next !== null && $free > $next->chainage + self::SLACK_M) {
                throw Refused::field('line', "line.profile, row {$row}: its curve reaches over the next point.");
            }
        }
        if ($this->points[0]->chainage > self::SLACK_M || $this->points[$last]->chainage < $this->length - self::SLACK_M || $last === 0) {
            throw Refused::field('line', "line.profile does not cover the line: it must reach from 0 to {$this->length} m.");
        }
    }
}
