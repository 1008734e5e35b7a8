<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** A sharp corner of the given line taken up by some joints in a row: each angle, and how far the pipes cut the corner. */
#[Calculates(
    'vertex-by-joints',
    'Can a corner be made by deflecting joints?',
    Family::Gasketed,
    ['joint_angle_deg', 'line_offset_m', 'first_joint_m', 'joints_needed', 'longest_pipe_m', 'pass', 'verdict'],
    'Geometry: the middles of the pipes touch a circle',
    verdicts: ['good', 'bad', 'open'],
)]
final class VertexByJoints
{
    /**
     * @return array{
     *     joint_angle_deg: float, line_offset_m: float, first_joint_m: float, joints_needed: int|null,
     *     longest_pipe_m: float|null, pass: bool|null, verdict: string
     * }
     */
    public function __invoke(
        #[Number('turn_deg', above: 0, max: 30)] float $turn,
        #[Measure('length_m', Quantity::Length, above: 0, max: 30)] float $length,
        #[Number('joints', min: 1, max: 20, whole: true)] float $joints,
        #[Number('max_joint_angle_deg', above: 0, max: 15, about: 'the share that is used')] ?float $most = null,
        #[Measure('tol_m', Quantity::Length, above: 0, about: 'pipe off the given line')] ?float $tolerance = null,
    ): array {
        $half = deg2rad($turn) / 2;
        $each = $turn / $joints;
        $radius = $length / (2 * tan($half / $joints));
        $inner = (int) $joints % 2 === 0 ? 1.0 : 1 / cos($half / $joints);
        // One joint lies on the corner itself: nothing of the pipe leaves the line.
        $offset = $joints == 1 ? 0.0 : $radius * (1 / cos($half) - $inner);
        $angles = $most === null ? null : Compare::atMost($each, $most);
        $line = $tolerance === null ? null : Compare::atMost($offset, $tolerance);
        $pass = match (true) {
            $angles === false || $line === false => false,
            $angles === null && $line === null => null,
            default => true,
        };

        return [
            'joint_angle_deg' => $each,
            'line_offset_m' => $offset,
            'first_joint_m' => $radius * tan($half) - $length / 2,
            'joints_needed' => $most === null ? null : (int) ceil($turn / $most - 1e-9),
            'longest_pipe_m' => $tolerance === null || $offset <= 0 ? null : ($length * $tolerance) / $offset,
            'pass' => $pass,
            'verdict' => Verdict::ofPass($pass)->value,
        ];
    }
}
