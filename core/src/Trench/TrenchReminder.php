<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;

/**
 * What the depth of an open trench asks for. A reminder, never a permission: that something is not required never means that it
 * is safe, and the competent person on site decides.
 */
#[Calculates(
    'trench-reminder',
    'What does a trench of this depth ask for?',
    Family::Gasketed,
    [
        'protection_required', 'engineer_required', 'egress_required', 'air_test_consider', 'slope_h_per_v', 'setback_each_side_m',
        'spoil_back_m', 'egress_within_m', 'defer_to',
    ],
    'OSHA 29 CFR 1926 subpart P; other codes have other depths',
    codes: ['defer_to' => ['competent-person']],
)]
final class TrenchReminder
{
    private const FOOT_M = 0.3048;

    private const PROTECTED_FT = 5.0;

    private const ENGINEERED_FT = 20.0;

    private const WAY_OUT_FT = 4.0;

    private const SPOIL_BACK_FT = 2.0;

    private const WAY_OUT_WITHIN_FT = 25.0;

    /** Steepest slope, run for each metre of rise, to 20 ft of depth. */
    private const SLOPES = ['rock' => 0.0, 'A' => 0.75, 'B' => 1.0, 'C' => 1.5];

    /**
     * @return array{
     *     protection_required: bool, engineer_required: bool, egress_required: bool, air_test_consider: bool,
     *     slope_h_per_v: float|null, setback_each_side_m: float|null, spoil_back_m: float, egress_within_m: float|null,
     *     defer_to: list<string>
     * } slope and setback null: deeper than the rule reaches, an engineer designs it
     */
    public function __invoke(
        #[Measure('depth_m', Quantity::Length, min: 0, max: 30)] float $depth,
        #[Choice('soil', ['rock', 'A', 'B', 'C'], about: 'soil that nobody has classified is C; one that was dug before is never A')]
        string $soil,
    ): array {
        // A depth is told in feet here, and 5 ft given in metres are 5 ft.
        $feet = round($depth / self::FOOT_M, 6);
        $isDeep = $feet > self::ENGINEERED_FT;
        $slope = $isDeep ? null : self::SLOPES[$soil];

        return [
            'protection_required' => $feet >= self::PROTECTED_FT && $soil !== 'rock',
            'engineer_required' => $isDeep,
            'egress_required' => $feet >= self::WAY_OUT_FT,
            'air_test_consider' => $feet > self::WAY_OUT_FT,
            'slope_h_per_v' => $slope,
            'setback_each_side_m' => $slope === null ? null : $slope * $depth,
            'spoil_back_m' => self::SPOIL_BACK_FT * self::FOOT_M,
            'egress_within_m' => $feet >= self::WAY_OUT_FT ? self::WAY_OUT_WITHIN_FT * self::FOOT_M : null,
            'defer_to' => ['competent-person'],
        ];
    }
}
