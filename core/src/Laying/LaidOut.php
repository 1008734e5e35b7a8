<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/**
 * The pieces of a plan in their places: what the crew sets, measures and cuts, pipe by pipe.
 *
 * @phpstan-type Surveyed array{e_m: float, n_m: float, invert_m: float}
 * @phpstan-type Laid array{
 *     from_m: float, to_m: float, from: Surveyed, to: Surveyed, azimuth_deg: float, grade_ratio: float, ...<string, mixed>
 * }
 */
final readonly class LaidOut
{
    /**
     * @param  list<Piece>  $pieces
     * @param  bool  $isWhole  the last one ends the line
     */
    public function __construct(
        private Alignment $line,
        private LayingRules $rules,
        private array $pieces,
        private bool $isWhole = true,
    ) {
    }

    /**
     * @param  float  $limit  largest angle of a joint, degrees
     * @param  float|null  $od  m, for what the gap differs across the joint
     * @return list<Laid> each pipe with both its ends, and the joint at its beginning
     */
    public function rows(float $limit, ?float $od): array
    {
        $rows = [];
        $here = $this->rules->begins($this->line);
        $before = $this->rules->start;
        $last = \count($this->pieces) - 1;
        foreach ($this->pieces as $i => $piece) {
            $ends = $i === $last && $this->isWhole;
            $next = $ends ? $this->line->end() : $this->line->next($here, $piece->length + $this->rules->allowance);
            $next ??= $this->line->end();
            $direction = Direction::fromSpot($here, $next, $here->distance($next));
            $angle = $before?->angleTo($direction);
            $off = $this->line->off($here, $next);
            $rows[] = [
                'pipe' => $i + 1,
                'length_m' => $piece->length,
                'cut_from_m' => $piece->isCut() ? $piece->stock : null,
                'from_m' => $here->chainage,
                'to_m' => $next->chainage,
                'from' => $this->line->surveyed($here),
                'to' => $this->line->surveyed($next),
                'azimuth_deg' => $direction->azimuth(),
                'grade_ratio' => $direction->grade(),
                'angle_deg' => $angle,
                'angle_share' => $angle === null ? null : $angle / $limit,
                'turn_hour' => $before?->hourTo($direction),
                'turn_right_deg' => $before?->turnRight($direction),
                'turn_up_deg' => $before?->turnUp($direction),
                'gap_difference_m' => $angle === null || $od === null ? null : $od * tan(deg2rad($angle)),
                'off_line_m' => $off->metres,
                'off_side_m' => $off->side,
                'off_level_m' => $off->level,
            ];
            [$here, $before] = [$next, $direction];
        }

        return $rows;
    }
}
