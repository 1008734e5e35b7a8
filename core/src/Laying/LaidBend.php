<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/**
 * A bend of a plan in its place, as the crew sets it.
 *
 * @phpstan-import-type Laid from LaidOut
 */
final readonly class LaidBend
{
    public function __construct(private Alignment $line, private SetBend $set)
    {
    }

    /**
     * @param  Direction|null  $before  of the piece before it; null: it begins the line
     * @param  float  $limit  largest angle of a joint, degrees
     * @param  float|null  $od  m
     * @return Laid as a pipe of the plan has it; `bend`: what it is and how it is turned
     */
    public function row(?Direction $before, float $limit, ?float $od): array
    {
        $set = $this->set;
        [$from, $to] = [$this->line->spotAt($set->from), $this->line->spotAt($set->to)];
        $chord = Direction::fromSpot($from, $to, $from->distance($to));
        $angle = $before?->angleTo($set->enters);

        return [
            'pipe' => null,
            'length_m' => 2 * $set->bend->leg,
            'cut_from_m' => null,
            'from_m' => $set->from,
            'to_m' => $set->to,
            'from' => $this->line->surveyed($from),
            'to' => $this->line->surveyed($to),
            'azimuth_deg' => $chord->azimuth(),
            'grade_ratio' => $chord->grade(),
            'angle_deg' => $angle,
            'angle_share' => $angle === null ? null : $angle / $limit,
            'turn_hour' => $before?->hourTo($set->enters),
            'turn_right_deg' => $before?->turnRight($set->enters),
            'turn_up_deg' => $before?->turnUp($set->enters),
            'gap_difference_m' => $angle === null || $od === null ? null : $od * tan(deg2rad($angle)),
            'off_line_m' => $set->off->metres,
            'off_side_m' => $set->off->side,
            'off_level_m' => $set->off->level,
            'bend' => [
                'bend_deg' => $set->bend->turn,
                'at_m' => $set->bend->at,
                'leg_m' => $set->bend->leg,
                'turn_hour' => $set->enters->hourTo($set->leaves),
                'leaves_azimuth_deg' => $set->leaves->azimuth(),
                'leaves_grade_ratio' => $set->leaves->grade(),
            ],
        ];
    }
}
