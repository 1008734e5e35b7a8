<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * Whether this gap together with this angle is still allowed, and how much angle is left. `geometry`: the gap at its narrowest and
 * widest keeps its limits; `linear`: gap and angle share one budget.
 */
#[Calculates(
    'gap-angle-combine',
    'Are gap and angle allowed together?',
    Family::Mechanical,
    ['gap_narrow_m', 'gap_wide_m', 'angle_free_deg', 'use', 'reasons', 'notes', 'verdict'],
    'Geometry; the shared budget is common practice of makers',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['gap-low', 'gap-high', 'angle-high', 'joint-budget', 'no-limit:*']],
)]
final class GapAngleCombine
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('gap_centre_m', Quantity::Length, min: 0)] float $centre,
        #[Number('angle_deg', min: 0, max: 15)] float $angle,
        #[Measure('diameter_m', Quantity::Length, above: 0)] float $diameter,
        #[Choice('rule', ['geometry', 'linear'])] string $rule,
        #[Measure('gap_min_m', Quantity::Length, min: 0)] ?float $gapLeast = null,
        #[Measure('gap_max_m', Quantity::Length, min: 0)] ?float $gapMost = null,
        #[Number('angle_max_deg', min: 0, max: 90)] ?float $angleMost = null,
    ): array {
        Limits::mustRise($gapLeast, $gapMost, 'gap_max_m');
        $swing = $diameter / 2 * tan(deg2rad($angle));
        [$narrow, $wide] = [$centre - $swing, $centre + $swing];
        $found = new Findings;
        $free = $use = null;
        if ($rule === 'geometry') {
            $found->atLeast($narrow, $gapLeast, 'gap_min_m', 'gap-low');
            $found->atMost($wide, $gapMost, 'gap_max_m', 'gap-high');
            $found->atMost($angle, $angleMost, 'angle_max_deg', 'angle-high');
        } else {
            foreach (['gap_min_m' => $gapLeast, 'gap_max_m' => $gapMost, 'angle_max_deg' => $angleMost] as $key => $limit) {
                $limit === null && $found->open("no-limit:{$key}");
            }
        }
        if ($gapLeast !== null && $gapMost !== null && $angleMost !== null) {
            if ($rule === 'geometry') {
                $room = max(0.0, min($centre - $gapLeast, $gapMost - $centre));
                $free = min($angleMost, rad2deg(atan(2 * $room / $diameter)));
            } else {
                $share = $this->shareOfGap($centre, $gapLeast, $gapMost, $angleMost);
                $use = $angle / $angleMost + $share;
                $free = $angleMost * max(0.0, 1 - $share);
                $found->atMost($use, 1.0, 'use', 'joint-budget');
            }
        }

        return ['gap_narrow_m' => $narrow, 'gap_wide_m' => $wide, 'angle_free_deg' => $free, 'use' => $use] + $found->toArray();
    }

    /** @throws Refused where there is no budget to share */
    private function shareOfGap(float $centre, float $least, float $most, float $angleMost): float
    {
        if ($most <= $least) {
            throw Refused::field('gap_max_m', "gap_max_m is {$most} m; a budget wants it over gap_min_m, {$least} m.");
        }
        if ($angleMost <= 0) {
            throw Refused::field('angle_max_deg', 'angle_max_deg is 0; a budget wants more.');
        }

        return abs($centre - ($least + $most) / 2) / (($most - $least) / 2);
    }
}
