<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Readings;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\LengthReading;
use Diastoma\Core\Units\Quantity;

/**
 * How crooked a joint is, from the gap at four places round the pipe. Flat ends leave no closure error, square or not; an end cut
 * out of square looks like deflection: both ends are checked for that first.
 */
#[Calculates(
    'gap-angle',
    'How crooked is the joint, from its gap at four places?',
    Family::Mechanical,
    [
        'angle_deg', 'gap_centre_m', 'gap_narrow_m', 'gap_wide_m', 'wide_at_deg', 'closure_m', 'reasons', 'notes', 'verdict',
    ],
    'Geometry',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['gap-low', 'gap-high', 'angle-high', 'two-readings', 'ends-not-flat', 'no-limit:*']],
)]
final class GapAngle
{
    private const NONE = 1e-12;

    /** Where the four gaps are read, degrees from the top. */
    private const PLACES = [0, 90, 180, 270];

    /**
     * @param  list<LengthReading>|null  $readings
     * @return array<string, mixed> `wide_at_deg`: clockwise from the top, looking in the laying direction
     */
    public function __invoke(
        #[Measure('face_diameter_m', Quantity::Length, above: 0, about: 'on which the gap is read')] float $diameter,
        #[Measure('gap_12_m', Quantity::Length, min: 0)] ?float $top = null,
        #[Measure('gap_3_m', Quantity::Length, min: 0)] ?float $right = null,
        #[Measure('gap_6_m', Quantity::Length, min: 0)] ?float $bottom = null,
        #[Measure('gap_9_m', Quantity::Length, min: 0)] ?float $left = null,
        #[Measure('gap_min_m', Quantity::Length, min: 0)] ?float $gapLeast = null,
        #[Measure('gap_max_m', Quantity::Length, min: 0)] ?float $gapMost = null,
        #[Number('angle_max_deg', min: 0, max: 90)] ?float $angleMost = null,
        #[Measure('closure_max_m', Quantity::Length, min: 0)] ?float $closureMost = null,
        #[Readings('readings', LengthReading::class, 'theta_deg', 'value', about: 'in place of the four gaps')] ?array $readings = null,
    ): array {
        if ($readings !== null) {
            [$top, $right, $bottom, $left] = $this->four($readings, [$top, $right, $bottom, $left]);
        }
        Limits::mustRise($gapLeast, $gapMost, 'gap_max_m');
        $pairs = [[12, $top, 6, $bottom], [3, $right, 9, $left]];
        $read = array_values(array_filter($pairs, fn (array $p) => $p[1] !== null || $p[3] !== null));
        foreach ($read === [] ? $pairs : $read as [$a, $atA, $b, $atB]) {
            if ($atA === null || $atB === null) {
                $key = $atA === null ? "gap_{$a}_m" : "gap_{$b}_m";
                throw Refused::field($key, "{$key} is missing: four readings are wanted, or two opposite ones.");
            }
        }
        $four = \count($read) === 2;
        $dv = (float) $top - (float) $bottom;
        $dh = (float) $right - (float) $left;
        $tangent = hypot($dv, $dh) / $diameter;
        $angle = rad2deg(atan($tangent));
        $readings = array_merge(...array_map(fn (array $p) => [(float) $p[1], (float) $p[3]], $read));
        $centre = array_sum($readings) / \count($readings);
        [$narrow, $wide] = [$centre - $diameter / 2 * $tangent, $centre + $diameter / 2 * $tangent];
        $closure = $four ? $top + $bottom - ($right + $left) : null;
        $found = new Findings;
        $found->atLeast($narrow, $gapLeast, 'gap_min_m', 'gap-low');
        $found->atMost($wide, $gapMost, 'gap_max_m', 'gap-high');
        $found->atMost($angle, $angleMost, 'angle_max_deg', 'angle-high');
        if ($closure === null) {
            $found->open('two-readings');
        } elseif ($closureMost === null) {
            $found->open('no-limit:closure_max_m');
        } elseif (! Compare::atMost(abs($closure), $closureMost)) {
            $found->open('ends-not-flat');
        }
        $none = abs($dv) <= self::NONE && abs($dh) <= self::NONE;

        return [
            'angle_deg' => $angle, 'gap_centre_m' => $centre, 'gap_narrow_m' => $narrow, 'gap_wide_m' => $wide,
            'wide_at_deg' => $none || ! $four ? null : fmod(rad2deg(atan2($dh, $dv)) + 360, 360), 'closure_m' => $closure,
        ] + $found->toArray();
    }

    /**
     * @param  list<LengthReading>  $readings
     * @param  list<float|null>  $given  beside them
     * @return array{float|null, float|null, float|null, float|null}
     */
    private function four(array $readings, array $given): array
    {
        if (array_filter($given, fn (?float $gap) => $gap !== null) !== []) {
            throw Refused::field('readings', 'readings came beside single gaps: give one or the other.');
        }
        $at = [];
        foreach ($readings as $reading) {
            $place = (int) round($reading->degrees);
            if (! \in_array($place, self::PLACES, true) || isset($at[$place]) || abs($reading->degrees - $place) > self::NONE) {
                throw Refused::field('readings', 'readings: one each at 12:00, 3:00, 6:00 and 9:00 is wanted, or two opposite ones.');
            }
            if ($reading->value < 0) {
                throw Refused::field('readings', 'readings: a gap is 0 or more.');
            }
            $at[$place] = $reading->value;
        }

        return [$at[0] ?? null, $at[90] ?? null, $at[180] ?? null, $at[270] ?? null];
    }
}
