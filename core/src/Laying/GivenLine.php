<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;

/** A line as it is given: the points of its invert, or straights and arcs with a profile. Read into an {@see Alignment}. */
final readonly class GivenLine
{
    /** Chainages and the distances between points may differ by this share. */
    private const OFF_AT_MOST = 0.02;

    /**
     * @param  list<SurveyPoint>|null  $points
     * @param  list<LineElement>|null  $elements
     * @param  list<ProfilePoint>|null  $profile
     */
    public function __construct(
        #[Items('points', SurveyPoint::class, atLeast: 0)] public ?array $points = null,
        #[Number('azimuth_deg', about: 'in which the first element begins, clockwise from north')] public float $azimuth = 0.0,
        #[Items('elements', LineElement::class, atLeast: 0)] public ?array $elements = null,
        #[Items('profile', ProfilePoint::class, atLeast: 0)] public ?array $profile = null,
    ) {
    }

    /** @throws Refused */
    public function alignment(): Alignment
    {
        if (($this->points === null) === ($this->elements === null)) {
            throw self::refused('line holds points, or elements: one of the two.');
        }

        return $this->points !== null ? self::throughPoints($this->points) : $this->ofElements();
    }

    /** @param  list<SurveyPoint>  $points */
    public static function throughPoints(array $points): Alignment
    {
        return self::stationed($points, null);
    }

    /**
     * @param  list<SurveyPoint>  $points
     * @param  list<float>|null  $chainages  of the points, m; null: the plan distance from the first one
     */
    public static function stationed(array $points, ?array $chainages): Alignment
    {
        if (\count($points) < 2) {
            throw self::refused('line.points holds '.\count($points).' points; a line has at least 2.');
        }
        $first = $points[0];
        $parts = [];
        $chainage = $chainages[0] ?? 0.0;
        for ($i = 1; $i < \count($points); $i++) {
            [$from, $to] = [$points[$i - 1], $points[$i]];
            $run = $from->inPlan($to);
            if ($run <= 0) {
                throw self::refused("line.points, rows {$i} and ".($i + 1).' have the same place in plan: no pipe goes between them.');
            }
            $next = $chainages[$i] ?? $chainage + $run;
            $scale = $run / ($next - $chainage);
            if (abs($scale - 1) > self::OFF_AT_MOST) {
                throw self::refused(sprintf(
                    'line.points, rows %d and %d are %.3f m apart, and their chainages differ by %.3f m: one of them is wrong.',
                    $i,
                    $i + 1,
                    $run,
                    $next - $chainage,
                ));
            }
            $parts[] = new AlignmentPart(
                $chainage,
                $next,
                $from->east - $first->east,
                $from->north - $first->north,
                $from->level - $first->level,
                atan2($to->east - $from->east, $to->north - $from->north),
                grade: ($to->level - $from->level) / $run,
                scale: $scale,
            );
            $chainage = $next;
        }

        return new Alignment($parts, [$first->east, $first->north, $first->level]);
    }

    private function ofElements(): Alignment
    {
        $elements = $this->elements ?? [];
        if ($elements === []) {
            throw self::refused('line.elements is empty: a line has at least one.');
        }
        $total = array_sum(array_map(fn (LineElement $element): float => $element->length, $elements));
        $grades = (new Profile($this->profile ?? [], $total))->grades();
        $parts = [];
        $bearing = deg2rad($this->azimuth);
        [$east, $north] = [0.0, 0.0];
        $from = 0.0;
        $at = 0;
        foreach ($elements as $element) {
            $end = $from + $element->length;
            while ($from < $end - 1e-9) {
                while ($at < \count($grades) - 1 && $grades[$at]->to <= $from + 1e-9) {
                    $at++;
                }
                $level = $grades[$at];
                // The last part of an element ends where the element does, to the last digit.
                $to = $level->to < $end - 1e-9 ? $level->to : $end;
                $part = new AlignmentPart(
                    $from,
                    $to,
                    $east,
                    $north,
                    $level->levelAt($from) - $grades[0]->levelAt(0.0),
                    $bearing,
                    $element->curvature(),
                    $level->gradeAt($from),
                    $level->bend,
                );
                $parts[] = $part;
                [$east, $north] = $part->at($to);
                [$bearing] = $part->leaves();
                $from = $to;
            }
            $from = $end;
        }
        if ($parts === []) {
            throw self::refused('line.elements have no length.');
        }

        return new Alignment($parts, [0.0, 0.0, $grades[0]->levelAt(0.0)]);
    }

    private static function refused(string $sentence): Refused
    {
        return Refused::field('line', $sentence);
    }
}
