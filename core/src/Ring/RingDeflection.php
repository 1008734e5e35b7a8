<?php

declare(strict_types=1);

namespace Diastoma\Core\Ring;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * How far a flexible pipe has changed its shape while soil was put round it: plus is squat, too loose at the sides or too much on
 * top; minus is peaked, the sides compacted too hard. Inside against inside; the ring's length hardly changes, so a mean that
 * moved tells of a wrong base or reading.
 */
#[Calculates(
    'ring-deflection',
    'Has the pipe kept its shape in the trench?',
    Family::Gasketed,
    [
        'deflection_pct', 'horizontal_pct', 'ovality_pct', 'mean_change_pct', 'base_suspect', 'shape', 'deflection_u_pct', 'failed',
        'pass', 'verdict', 'reasons', 'does',
    ],
    'Definition; the limit is the procedure\'s and belongs to a time',
    codes: [
        'failed' => ['squat', 'peaked'],
        'reasons' => ['base-suspect', 'no-uncertainty', 'near-limit'],
        'does' => ['compact-sides-less', 'compact-haunch-more', 'measure-again'],
    ],
)]
final class RingDeflection
{
    /** A diameter further from the base than this is an error of unit or typing. */
    private const LEAST = 0.7;

    private const MOST = 1.3;

    /** Nearer to nothing than this the pipe is round, per cent. */
    private const ROUND_PCT = 1e-9;

    /**
     * @return array{
     *     deflection_pct: float, horizontal_pct: float|null, ovality_pct: float|null, mean_change_pct: float|null,
     *     base_suspect: bool|null, shape: string, deflection_u_pct: float|null, failed: list<string>, pass: bool|null,
     *     verdict: string, reasons: list<string>, does: list<string>
     * } without an uncertainty close at best; with a suspect base and nothing failed open
     */
    public function __invoke(
        #[Measure('base_id_m', Quantity::Length, above: 0, max: 5, about: 'mean inside diameter before any load')] float $base,
        #[Measure('vertical_m', Quantity::Length, above: 0)] float $vertical,
        #[Number('limit_pct', above: 0, max: 15)] float $limit,
        #[Measure('horizontal_m', Quantity::Length, above: 0)] ?float $horizontal = null,
        #[Number('peak_limit_pct', above: 0, max: 15, about: 'left out: as the other way')] ?float $peakLimit = null,
        #[Number('base_check_pct', above: 0, max: 10, about: 'the mean may change by')] float $baseCheck = 1.0,
        #[Measure('u_m', Quantity::Length, min: 0, about: 'uncertainty of one diameter, k = 2')] ?float $uncertainty = null,
    ): array {
        $this->refuse('vertical_m', $vertical, $base);
        $this->refuse('horizontal_m', $horizontal ?? $base, $base);
        $change = 100 * ($base - $vertical) / $base;
        $wide = $horizontal === null ? null : 100 * ($horizontal - $base) / $base;
        $mean = $horizontal === null ? null : 100 * (($horizontal + $vertical) / 2 - $base) / $base;
        $isSuspect = $mean === null ? null : ! Compare::atMost(abs($mean), $baseCheck);
        $allowed = $change >= 0 ? $limit : $peakLimit ?? $limit;
        $isOver = ! Compare::atMost(abs($change), $allowed);
        $failed = $isOver ? [$change > 0 ? 'squat' : 'peaked'] : [];
        // Two diameters, each with its own reading.
        $u = $uncertainty === null ? null : 100 * $uncertainty / $base * hypot(1.0, $vertical / $base);
        $reasons = array_keys(array_filter([
            'base-suspect' => $isSuspect === true,
            'no-uncertainty' => $u === null,
            'near-limit' => $u !== null && ! Compare::atMost(abs($change) + $u, $allowed),
        ]));

        return [
            'deflection_pct' => $change,
            'horizontal_pct' => $wide,
            'ovality_pct' => $horizontal === null ? null : 200 * ($horizontal - $vertical) / ($horizontal + $vertical),
            'mean_change_pct' => $mean,
            'base_suspect' => $isSuspect,
            'shape' => match (true) {
                abs($change) < self::ROUND_PCT => 'round',
                default => $change > 0 ? 'squat' : 'peaked',
            },
            'deflection_u_pct' => $u,
            'failed' => $failed,
            'pass' => $isOver ? false : ($isSuspect ? null : true),
            'verdict' => match (true) {
                $isOver => Verdict::Bad->value,
                $isSuspect === true => Verdict::Open->value,
                $reasons !== [] => Verdict::Close->value,
                default => Verdict::Good->value,
            },
            'reasons' => $isOver ? [] : $reasons,
            'does' => match (true) {
                $isSuspect === true => ['measure-again'],
                $isOver => [$change > 0 ? 'compact-haunch-more' : 'compact-sides-less'],
                default => [],
            },
        ];
    }

    private function refuse(string $key, float $diameter, float $base): void
    {
        if ($diameter < self::LEAST * $base || $diameter > self::MOST * $base) {
            throw Refused::field($key, sprintf(
                '%s is %s m; allowed is %s to %s m, 0.7 to 1.3 times the base. Is it in another unit, or an outside diameter?',
                $key,
                $diameter,
                round(self::LEAST * $base, 6),
                round(self::MOST * $base, 6),
            ));
        }
    }
}
