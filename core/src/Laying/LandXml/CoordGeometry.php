<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying\LandXml;

/** The plan of an alignment: lines, arcs and clothoids, one after the other. In the file north stands before east. */
final class CoordGeometry
{
    /** Chords leave an arc by no more than this, m. */
    private const OFF_M = 0.0005;

    private const LEAST_STEP_M = 0.1;

    /** Two places nearer than this are one, m. */
    private const SAME_M = 0.0005;

    /** An element must begin where the one before it ended, m. */
    private const GAP_M = 0.02;

    private readonly float $start;

    public function __construct(private readonly \SimpleXMLElement $alignment, private readonly float $unit)
    {
        $this->start = isset($alignment['staStart']) ? LandXmlFile::numbers((string) $alignment['staStart'], $unit, 1)[0] : 0.0;
    }

    /**
     * @param  list<float>  $stations  at which there must be a place, too
     * @return list<array{float, float, float, float|null}> station, easting, northing, m; level where the file has it there
     */
    public function points(array $stations): array
    {
        $geometry = $this->alignment->CoordGeom;
        if ($geometry === null || \count($geometry->children()) === 0) {
            throw LandXmlFile::refused('The alignment has no CoordGeom: lines and curves are wanted.');
        }
        $points = [];
        $at = $this->start;
        foreach ($geometry->children() as $name => $element) {
            $more = match ($name) {
                'Line' => $this->line($element),
                'Curve' => $this->arc($element),
                'Spiral' => $this->spiral($element),
                default => throw LandXmlFile::refused("The alignment holds {$name}, which is not read: give Line, Curve or Spiral."),
            };
            $last = $points[\count($points) - 1] ?? null;
            if ($last !== null && hypot($more[0][1] - $last[1], $more[0][2] - $last[2]) > self::GAP_M) {
                throw LandXmlFile::refused(sprintf('Between %s and what stands before it is a gap, at chainage %.2f m.', $name, $at));
            }
            foreach ($more as $i => [$run, $east, $north, $level]) {
                if ($i > 0 || $points === []) {
                    $points[] = [$at + $run, $east, $north, $level];
                }
            }
            $at += $more[\count($more) - 1][0];
        }

        return $this->with($stations, $points);
    }

    /**
     * @param  list<float>  $stations
     * @param  list<array{float, float, float, float|null}>  $points
     * @return list<array{float, float, float, float|null}>
     */
    private function with(array $stations, array $points): array
    {
        sort($stations);
        $all = [];
        $next = 0;
        foreach ($points as $i => $point) {
            $before = $points[$i - 1] ?? $point;
            for (; $next < \count($stations) && $stations[$next] < $point[0] - self::SAME_M; $next++) {
                if ($i > 0 && $stations[$next] > $before[0] + self::SAME_M) {
                    $share = ($stations[$next] - $before[0]) / ($point[0] - $before[0]);
                    $all[] = [
                        $stations[$next],
                        $before[1] + $share * ($point[1] - $before[1]),
                        $before[2] + $share * ($point[2] - $before[2]),
                        null,
                    ];
                }
            }
            if ($i === 0 || $point[0] - $before[0] > self::SAME_M) {
                $all[] = $point;
            }
        }

        return $all;
    }

    /** @return array{float, float, float|null} easting, northing, level */
    private function place(\SimpleXMLElement $of, string $name): array
    {
        if (! isset($of->{$name})) {
            throw LandXmlFile::refused("{$of->getName()} has no {$name}.");
        }
        $numbers = LandXmlFile::numbers((string) $of->{$name}, $this->unit, 2);

        return [$numbers[1], $numbers[0], $numbers[2] ?? null];
    }

    /** @return non-empty-list<array{float, float, float, float|null}> run from the element's beginning, easting, northing, level */
    private function line(\SimpleXMLElement $line): array
    {
        [$from, $to] = [$this->place($line, 'Start'), $this->place($line, 'End')];

        return [[0.0, ...$from], [hypot($to[0] - $from[0], $to[1] - $from[1]), ...$to]];
    }

    /** @return non-empty-list<array{float, float, float, float|null}> */
    private function arc(\SimpleXMLElement $arc): array
    {
        [$from, $centre, $to] = [$this->place($arc, 'Start'), $this->place($arc, 'Center'), $this->place($arc, 'End')];
        $isRight = $this->isRight($arc);
        $radius = hypot($from[0] - $centre[0], $from[1] - $centre[1]);
        if ($radius < 1 || abs(hypot($to[0] - $centre[0], $to[1] - $centre[1]) - $radius) > self::GAP_M) {
            throw LandXmlFile::refused('A Curve does not begin and end at the same distance from its Center.');
        }
        $begin = atan2($from[0] - $centre[0], $from[1] - $centre[1]);
        $sweep = atan2($to[0] - $centre[0], $to[1] - $centre[1]) - $begin;
        $sweep = $isRight ? fmod($sweep + 4 * M_PI, 2 * M_PI) : -fmod(-$sweep + 4 * M_PI, 2 * M_PI);
        $steps = $this->steps(abs($sweep) * $radius, $radius);
        $points = [[0.0, ...$from]];
        for ($step = 1; $step < $steps; $step++) {
            $angle = $begin + $sweep * $step / $steps;
            $points[] = [
                abs($sweep) * $radius * $step / $steps,
                $centre[0] + $radius * sin($angle),
                $centre[1] + $radius * cos($angle),
                null,
            ];
        }
        $points[] = [abs($sweep) * $radius, ...$to];

        return $points;
    }

    /**
     * A clothoid, walked from its beginning: its curvature grows evenly.
     *
     * @return non-empty-list<array{float, float, float, float|null}>
     */
    private function spiral(\SimpleXMLElement $spiral): array
    {
        $type = strtolower((string) ($spiral['spiType'] ?? 'clothoid'));
        if ($type !== 'clothoid') {
            throw LandXmlFile::refused("A Spiral is of type {$type}; only clothoids are read.");
        }
        [$from, $corner, $to] = [$this->place($spiral, 'Start'), $this->place($spiral, 'PI'), $this->place($spiral, 'End')];
        $length = LandXmlFile::numbers((string) $spiral['length'], $this->unit, 1)[0];
        $sign = $this->isRight($spiral) ? 1 : -1;
        [$first, $last] = [$sign * $this->curvature($spiral, 'radiusStart'), $sign * $this->curvature($spiral, 'radiusEnd')];
        $bearing = atan2($corner[0] - $from[0], $corner[1] - $from[1]);
        $steps = $this->steps($length, 1 / max(abs($first), abs($last), 1e-9));
        $points = [[0.0, ...$from]];
        [$east, $north] = [$from[0], $from[1]];
        $fine = 20;
        for ($i = 1; $i <= $steps * $fine; $i++) {
            $step = $length / $steps / $fine;
            $run = ($i - 0.5) * $step;
            $angle = $bearing + $first * $run + ($last - $first) * $run ** 2 / 2 / $length;
            $east += $step * sin($angle);
            $north += $step * cos($angle);
            if ($i % $fine === 0) {
                $points[] = [$i * $step, $east, $north, null];
            }
        }
        if (hypot($east - $to[0], $north - $to[1]) > self::GAP_M) {
            throw LandXmlFile::refused('A Spiral of this length and these radii does not end where its End is.');
        }
        $points[\count($points) - 1] = [$length, ...$to];

        return $points;
    }

    private function isRight(\SimpleXMLElement $curve): bool
    {
        return match ((string) $curve['rot']) {
            'cw' => true,
            'ccw' => false,
            default => throw LandXmlFile::refused("{$curve->getName()} does not say which way it turns: rot is cw or ccw."),
        };
    }

    /** @return float 1/m, not negative; an infinite radius is straight */
    private function curvature(\SimpleXMLElement $spiral, string $name): float
    {
        $radius = trim((string) $spiral[$name]);
        if ($radius === '' || strtoupper($radius) === 'INF') {
            return 0.0;
        }
        $metres = abs(LandXmlFile::numbers($radius, $this->unit, 1)[0]);

        return $metres < 1 ? throw LandXmlFile::refused("A Spiral has the radius {$radius}.") : 1 / $metres;
    }

    private function steps(float $length, float $radius): int
    {
        return max(1, (int) ceil($length / max(self::LEAST_STEP_M, sqrt(8 * $radius * self::OFF_M))));
    }
}
