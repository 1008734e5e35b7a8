<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * The levels of laid joints, from the low end up, against the plan: error, grade of each pipe, back-fall and the water that would
 * stand. Of a pressure main back-fall is nothing bad: its high points are named, for air valves.
 */
#[Calculates(
    'level-check',
    'Does the line lie at its level, and does it fall?',
    Family::Gasketed,
    [
        'level_error_m', 'grade_pct', 'pond_m', 'worst_level_error_m', 'max_pond_m', 'failed', 'failed_points', 'high_points',
        'not_judged', 'pass', 'verdict',
    ],
    'Geometry; tolerances of the procedure',
    codes: ['failed' => ['level', 'line', 'backfall', 'min_grade'], 'not_judged' => ['line_tol_m', 'min_grade_ratio', 'level_u_m']],
)]
final class LevelCheck
{
    /**
     * @param  non-empty-list<LaidPoint>  $points
     * @return array{
     *     level_error_m: list<float>, grade_pct: list<float>, pond_m: list<float>, worst_level_error_m: float, max_pond_m: float,
     *     failed: list<string>, failed_points: list<int>, high_points: list<int>, not_judged: list<string>, pass: bool, verdict: string
     * } points counted from 1; without an uncertainty of the levels close at best
     */
    public function __invoke(
        #[Items('points', LaidPoint::class, atLeast: 2)] array $points,
        #[Measure('level_tol_m', Quantity::Length, min: 0)] float $levelTolerance,
        #[Measure('line_tol_m', Quantity::Length, min: 0)] ?float $lineTolerance = null,
        #[Number('min_grade_ratio', min: 0, max: 2)] ?float $minGrade = null,
        #[Flag('pressure_main')] bool $isPressureMain = false,
        #[Measure('level_u_m', Quantity::Length, min: 0, about: 'uncertainty of a level, k = 2')] ?float $uncertainty = null,
    ): array {
        $this->refuse($points, $lineTolerance);
        $errors = array_map(fn (LaidPoint $point): float => $point->error(), $points);
        $grades = $ponds = $high = [];
        /** @var array<string, array<int, true>> $failed */
        $failed = [];
        $close = $uncertainty === null;
        $highest = $points[0]->measured;
        foreach ($points as $i => $point) {
            if (! Compare::atMost(abs($errors[$i]), $levelTolerance)) {
                $failed['level'][$i + 1] = true;
            }
            $close = $close || ! Compare::atMost(abs($errors[$i]) + (float) $uncertainty, $levelTolerance);
            if ($lineTolerance !== null && ! Compare::atMost(abs((float) $point->offset), $lineTolerance)) {
                $failed['line'][$i + 1] = true;
            }
            $ponds[] = max(0.0, $highest - $point->measured);
            $highest = max($highest, $point->measured);
            if ($i === 0) {
                continue;
            }
            $grade = ($point->measured - $points[$i - 1]->measured) / ($point->chainage - $points[$i - 1]->chainage);
            $grades[] = 100 * $grade;
            if (! $isPressureMain && ! Compare::atLeast($grade, 0.0)) {
                $failed['backfall'][$i + 1] = true;
            }
            if ($minGrade !== null && ! Compare::atLeast($isPressureMain ? abs($grade) : $grade, $minGrade)) {
                $failed['min_grade'][$i + 1] = true;
            }
            $next = $points[$i + 1] ?? null;
            if ($isPressureMain && $next !== null && $point->measured > max($points[$i - 1]->measured, $next->measured)) {
                $high[] = $i + 1;
            }
        }
        $worst = array_reduce($errors, fn (float $most, float $error): float => abs($error) > abs($most) ? $error : $most, 0.0);
        $named = array_values(array_filter(['level', 'line', 'backfall', 'min_grade'], fn (string $code): bool => isset($failed[$code])));
        $at = array_keys(array_replace(...array_values($failed), ...[[]]));
        sort($at);
        $pass = $named === [];

        return [
            'level_error_m' => $errors,
            'grade_pct' => $grades,
            'pond_m' => $ponds,
            'worst_level_error_m' => $worst,
            'max_pond_m' => max($ponds),
            'failed' => $named,
            'failed_points' => $at,
            'high_points' => $high,
            'not_judged' => array_keys(array_filter(
                ['line_tol_m' => $lineTolerance, 'min_grade_ratio' => $minGrade, 'level_u_m' => $uncertainty],
                fn (?float $limit): bool => $limit === null,
            )),
            'pass' => $pass,
            'verdict' => (! $pass ? Verdict::Bad : ($close ? Verdict::Close : Verdict::Good))->value,
        ];
    }

    /** @param  non-empty-list<LaidPoint>  $points */
    private function refuse(array $points, ?float $lineTolerance): void
    {
        foreach ($points as $i => $point) {
            $row = $i + 1;
            if ($i > 0 && $point->chainage <= $points[$i - 1]->chainage) {
                throw Refused::field(
                    'points.chainage_m',
                    "points, row {$row}: chainage_m must rise; {$point->chainage} follows {$points[$i - 1]->chainage}.",
                );
            }
            if ($lineTolerance !== null && $point->offset === null) {
                throw Refused::field(
                    'points.line_offset_m',
                    "points, row {$row}: line_offset_m is missing, and the line is to be judged: on the line is 0.",
                );
            }
        }
    }
}
