<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * Which length goes where, before the first pipe is lowered: every joint on the line, its true angle in space within the share of
 * the limit that is used, the fewest pieces, then the fewest cuts, then the smallest greatest angle, then the least waste. Cuts come
 * at the end: the last pipe, or the last two as equal halves. Bends that are set into corners divide the line: it is laid from one to
 * the next, and the two joints of each share what its corner turns by more or less than the bend.
 */
#[Calculates(
    'laying-plan',
    'Which pipe goes where along the line?',
    Family::Gasketed,
    [
        'feasible', 'pieces', 'piece_count', 'joint_count', 'cut_count', 'max_angle_deg', 'closing_piece_m', 'fewest_proved', 'rise_m',
        'falling_count', 'rows',
        'fail_reason', 'fail_station_m', 'fail_angle_deg', 'fail_turn_deg', 'longest_pipe_m',
        'needed_radius_m', 'bends_deg', 'residual_deg',
        'helps',
    ],
    'Geometry; search over all ways, level by level',
    codes: ['fail_reason' => ['stock', 'angle', 'tolerance', 'closing']],
)]
final class LayingPlan
{
    /**
     * @param  non-empty-list<StockPipe>  $stock
     * @param  list<PlacedBend>  $bends
     * @return array<string, mixed> `rows`: the sheet that the crew carries, a pipe a row; `fail_…` null where it can be done
     */
    public function __invoke(
        #[Part('line', GivenLine::class)] GivenLine $line,
        #[Items('stock', StockPipe::class, atMost: LayPass::STOCKS)] array $stock,
        #[Number('max_joint_angle_deg', above: 0, max: 15)] float $most,
        #[Number('working_share', above: 0, max: 1)] float $share,
        #[Measure('min_piece_m', Quantity::Length, min: 0.3, max: 20)] float $leastPiece,
        #[Measure('joint_allowance_m', Quantity::Length, min: 0, max: 0.5, about: 'gap kept at a joint')] float $allowance = 0.0,
        #[Measure('close_tol_m', Quantity::Length, min: 0, max: 1, about: 'misfit at the end that the joints take up')]
        float $closeTolerance = 0.02,
        #[Part('start_direction', BoundDirection::class)] ?BoundDirection $start = null,
        #[Part('end_direction', BoundDirection::class)] ?BoundDirection $end = null,
        #[Measure('barrel_tol_m', Quantity::Length, min: 0, max: 10, about: 'a pipe may lie off the line by')]
        ?float $barrelTolerance = null,
        #[Measure('side_tol_m', Quantity::Length, min: 0, max: 10, about: 'sideways, in plan')] ?float $sideTolerance = null,
        #[Measure('level_tol_m', Quantity::Length, min: 0, max: 10, about: 'in level, at the same place')]
        ?float $levelTolerance = null,
        #[Flag('allow_phase_cuts')] bool $phaseCuts = false,
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] ?float $od = null,
        #[Items('bends', PlacedBend::class, atLeast: 0, atMost: 200, about: 'set into corners of the line')] array $bends = [],
    ): array {
        self::refuse($stock, $leastPiece);
        $alignment = $line->alignment();
        $rules = new LayingRules(
            $stock,
            $most * $share,
            $leastPiece,
            $allowance,
            $closeTolerance,
            $start?->direction(),
            $end?->direction(),
            new Tolerance($barrelTolerance, $sideTolerance, $levelTolerance),
            $phaseCuts,
        );
        $laid = (new LayRoute($alignment, $rules, $bends))->run();
        $outcome = $laid->outcome();
        $count = \count($outcome->pieces);
        $last = $laid->last();
        $isFeasible = $outcome->isFeasible();
        $rows = $isFeasible ? $laid->rows($most, $od) : [];
        $joints = $count + $laid->bendCount() - 1 + ($start === null ? 0 : 1) + ($end === null ? 0 : 1);

        return [
            'feasible' => $isFeasible,
            'pieces' => $isFeasible ? array_map(fn (Piece $piece): float => $piece->length, $outcome->pieces) : [],
            'piece_count' => $isFeasible ? $count : null,
            'joint_count' => $isFeasible ? $joints : null,
            'cut_count' => $isFeasible ? $outcome->cuts : null,
            'max_angle_deg' => $isFeasible ? $outcome->angle : null,
            'closing_piece_m' => $isFeasible && $last !== null && $last->isCut() ? $last->length : null,
            'fewest_proved' => $outcome->isProved,
            ...LayingWay::of($rows)->toArray(),
            'rows' => $rows,
            'fail_reason' => $outcome->why,
            'fail_station_m' => $outcome->failsAt,
            'fail_angle_deg' => $outcome->failAngle,
            ...(new WhereItFails($alignment, $rules))->says($outcome->failsAt),
            'helps' => array_map(
                fn (LayingHelp $help): array => $help->toArray(),
                (new LayingHelps($alignment, $rules, $most, $bends, $od))->to($outcome),
            ),
        ];
    }

    /** @param  non-empty-list<StockPipe>  $stock */
    private static function refuse(array $stock, float $leastPiece): void
    {
        $lengths = array_map(fn (StockPipe $pipe): float => $pipe->length, $stock);
        foreach ($lengths as $i => $length) {
            if (array_search($length, $lengths, true) !== $i) {
                throw Refused::field('stock', "stock holds {$length} m twice: give one row for each length.");
            }
        }
        if ($leastPiece > max($lengths) + 1e-9) {
            throw Refused::field('min_piece_m', "min_piece_m is {$leastPiece} m; the longest pipe to hand is ".max($lengths).' m.');
        }
    }
}
