<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying\LandXml;

use Diastoma\Core\Laying\Profile;
use Diastoma\Core\Laying\ProfilePoint;

/** The levels of an alignment by its stations: grades between points, parabolas about them. */
final readonly class ProfileLevels
{
    /** Places on a parabola lie so far apart at most, m. */
    private const STEP_M = 2.0;

    /** @var non-empty-list<\Diastoma\Core\Laying\Grade> by the distance from the first point */
    private array $grades;

    private float $start;

    private float $end;

    public function __construct(\SimpleXMLElement $profile, float $unit)
    {
        $points = [];
        foreach ($profile->children() as $name => $point) {
            $length = match ($name) {
                'PVI' => 0.0,
                // A circular curve of a main differs from the parabola of the same length by less than a level can tell.
                'ParaCurve', 'CircCurve' => LandXmlFile::numbers((string) $point['length'], $unit, 1)[0],
                'Feature' => null,
                default => throw LandXmlFile::refused("The profile holds {$name}, which is not read: give PVI, ParaCurve or CircCurve."),
            };
            if ($length !== null) {
                [$station, $level] = LandXmlFile::numbers((string) $point, $unit, 2);
                $points[] = [$station, $level, $length];
            }
        }
        if (\count($points) < 2) {
            throw LandXmlFile::refused('The profile holds fewer than two points.');
        }
        $this->start = $points[0][0];
        $this->end = $points[\count($points) - 1][0];
        $this->grades = (new Profile(
            array_map(fn (array $row): ProfilePoint => new ProfilePoint($row[0] - $this->start, $row[1], $row[2]), $points),
            $this->end - $this->start,
        ))->grades();
    }

    /** @return float|null m; null: beyond the profile */
    public function at(float $station): ?float
    {
        $distance = $station - $this->start;
        if ($distance < -0.001 || $station > $this->end + 0.001) {
            return null;
        }
        foreach ($this->grades as $grade) {
            if ($distance <= $grade->to) {
                return $grade->levelAt($distance);
            }
        }

        return $this->grades[\count($this->grades) - 1]->levelAt($distance);
    }

    /** @return list<float> stations at which the grade changes, and those between on a parabola */
    public function stations(): array
    {
        $stations = [];
        foreach ($this->grades as $grade) {
            $steps = $grade->bend === 0.0 ? 1 : max(2, (int) ceil(($grade->to - $grade->from) / self::STEP_M));
            for ($step = 0; $step <= $steps; $step++) {
                $stations[] = $this->start + $grade->from + ($grade->to - $grade->from) * $step / $steps;
            }
        }

        return $stations;
    }
}
