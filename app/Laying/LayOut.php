<?php

namespace App\Laying;

use App\Models\Joint;
use App\Models\Line;
use App\Support\Say;
use Diastoma\Core\Laying\Alignment;
use Diastoma\Core\Laying\Direction;
use Diastoma\Core\Laying\GivenLine;
use Diastoma\Core\Laying\LayingHelp;
use Diastoma\Core\Laying\LayingHelps;
use Diastoma\Core\Laying\LayingRules;
use Diastoma\Core\Laying\LayingWay;
use Diastoma\Core\Laying\LayRoute;
use Diastoma\Core\Laying\SetBend;
use Diastoma\Core\Laying\Spot;
use Diastoma\Core\Laying\SurveyPoint;
use Diastoma\Core\Refused;

/** Lays the rest of a line out from its face on, or says where it cannot be done and what would help. Nothing is kept. */
final class LayOut
{
    /** What turns the direction of the last pipe into that of the line is looked for so far back, m, where no pipe is known. */
    private const BACK_M = 1.0;

    /** A longer line keeps the server busy for longer than a person waits, m. */
    private const MOST_M = 60000.0;

    /**
     * @return array<string, mixed>
     *
     * @throws Refused
     */
    public function __invoke(Line $line, Face $face, Asked $asked): array
    {
        $this->refuse($line, $asked);
        $alignment = $this->alignment($line);
        if ($face->from >= $alignment->to() - $asked->leastPiece) {
            throw Refused::field('from_m', Say::text('refused.laidToTheEnd'));
        }
        if ($alignment->to() - $face->from > self::MOST_M) {
            throw Refused::field('from_m', Say::text('refused.tooLongToLayOut', ['most' => self::MOST_M / 1000]));
        }
        $rules = $this->rules($alignment, $face, $asked);
        $laid = (new LayRoute($alignment, $rules, $asked->bends()))->run();
        $outcome = $laid->outcome();
        $isFeasible = $outcome->isFeasible();
        // Where it cannot be done: as far as it goes.
        $rows = $laid->rows($asked->limit, self::diameter($line));

        return [
            'from_m' => $face->from,
            'feasible' => $isFeasible,
            'piece_count' => $isFeasible ? \count($outcome->pieces) : null,
            'bend_count' => $isFeasible ? $laid->bendCount() : null,
            'cut_count' => $isFeasible ? $outcome->cuts : null,
            'max_angle_deg' => $isFeasible ? $outcome->angle : null,
            'fewest_proved' => $outcome->isProved,
            'fail_reason' => $outcome->why,
            'fail_station_m' => $outcome->failsAt,
            'fail_angle_deg' => $outcome->failAngle,
            'rows' => $rows,
            ...LayingWay::of($rows)->toArray(),
            // Of half a line nothing good is said.
            'cover' => $isFeasible ? CoverOfPlan::of($line, $asked, $rows) : null,
            // The rule of a sewer; of a main common practice where it is steep.
            'wants_uphill' => $line->service === 'sewer',
            'helps' => array_map(
                fn (LayingHelp $help): array => $help->toArray(),
                (new LayingHelps($alignment, $rules, $asked->limit, $asked->bends(), self::diameter($line)))->to($outcome),
            ),
        ];
    }

    /**
     * How far a joint of the line may turn, and who says so.
     *
     * @return array{limit_deg: float, source: string}|null null: the procedure says nothing of it for this pipe
     */
    public static function turns(Line $line): ?array
    {
        $joint = new Joint(['number' => '0', 'chainage_m' => 0, 'place' => 'in-line', 'line_id' => $line->id, 'state' => 'planned']);
        $joint->setRelation('ofLine', $line)->setRelation('procedureText', $line->procedureText);

        return $joint->judgement()->told->turns;
    }

    private function refuse(Line $line, Asked $asked): void
    {
        $turns = self::turns($line);
        if ($turns === null && ($asked->limitSource ?? '') === '') {
            throw Refused::field('limit_source', Say::text('refused.whoSaysTheAngle'));
        }
        if ($turns !== null && $asked->limit > $turns['limit_deg'] + 1e-9) {
            throw Refused::field('max_joint_angle_deg', Say::text('refused.angleOverLimit', [
                'asked' => round($asked->limit, 3), 'limit' => round($turns['limit_deg'], 3), 'source' => $turns['source'],
            ]));
        }
        if (\count($asked->ground) === 1) {
            throw Refused::field('ground', Say::text('refused.groundOfOne'));
        }
        foreach (array_keys($asked->ground) as $i) {
            if ($i > 0 && $asked->ground[$i]['at_m'] <= $asked->ground[$i - 1]['at_m']) {
                throw Refused::field('ground', Say::text('refused.groundRises', ['row' => $i + 1]));
            }
        }
        $lengths = array_column($asked->stock, 'length_m');
        foreach ($lengths as $i => $length) {
            if (array_search($length, $lengths, true) !== $i) {
                throw Refused::field('stock', Say::text('refused.lengthTwice', ['length' => $length]));
            }
        }
        if ($asked->leastPiece > max($lengths)) {
            $given = ['least' => $asked->leastPiece, 'longest' => max($lengths)];
            throw Refused::field('min_piece_m', Say::text('refused.leastOverLongest', $given));
        }
    }

    private function alignment(Line $line): Alignment
    {
        return GivenLine::stationed(
            array_map(fn (array $point): SurveyPoint => new SurveyPoint($point[1], $point[2], $point[3]), $line->centre_line),
            array_column($line->centre_line, 0),
        );
    }

    private function rules(Alignment $alignment, Face $face, Asked $asked): LayingRules
    {
        $begins = $alignment->spotAt($face->from);
        $isLaid = $face->joint !== null;
        $start = $isLaid ? $this->lastDirection($alignment, $face, $begins) : null;
        if ($asked->offRight !== 0.0 || $asked->offUp !== 0.0) {
            $begins = $begins->off($alignment->directionAt($face->from), $asked->offRight, $asked->offUp);
        }

        return new LayingRules(
            $asked->stock(),
            $asked->limit * $asked->share,
            $asked->leastPiece,
            $asked->allowance,
            start: $start,
            tolerance: $asked->tolerance,
            phaseCuts: $asked->phaseCuts,
            from: $begins,
        );
    }

    /** Of the last pipe that lies, from its joint to where it ends; of a bend, of its second leg. */
    private function lastDirection(Alignment $alignment, Face $face, Spot $begins): Direction
    {
        $bend = $face->pipe?->bend();
        if ($bend !== null) {
            return SetBend::in($alignment, $bend)->leaves;
        }
        $joint = $alignment->spotAt(min($face->joint->chainage_m ?? $begins->chainage, $begins->chainage - self::BACK_M));

        return Direction::fromSpot($joint, $begins, $joint->distance($begins));
    }

    /** @return float|null m */
    private static function diameter(Line $line): ?float
    {
        $od = $line->pipe['od_mm'] ?? null;

        return \is_int($od) || \is_float($od) ? $od / 1000 : null;
    }
}
