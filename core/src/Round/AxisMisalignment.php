<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/** A straight edge on one pipe reaches over the next: are they in line, offset, stepped or bent? */
#[Calculates(
    'axis-misalignment',
    'Are two pipes in line?',
    Family::Measuring,
    [
        'offset_mm', 'offset_up_mm', 'offset_right_mm', 'offset_at_deg', 'od_step_half_mm', 'slope_up', 'slope_right', 'angle_deg',
        'bent_at_deg', 'empty_arc_deg', 'verdict', 'reasons',
    ],
    'Geometry: first harmonics of offset and slope round the pipe',
    verdicts: ['open'],
    codes: ['reasons' => ['bunched']],
)]
final class AxisMisalignment
{
    /** Below this there is no direction, m and m/m. */
    private const NOTHING = 1e-12;

    /** What only the fit says. */
    private const FITTED = [
        'offset_mm', 'offset_up_mm', 'offset_right_mm', 'offset_at_deg', 'od_step_half_mm', 'slope_up', 'slope_right', 'angle_deg',
        'bent_at_deg',
    ];

    /**
     * @param  non-empty-list<EdgeReading>  $readings
     * @return array<string, mixed> directions seen along the laying direction; up and right are where the second pipe lies; no limit
     *                              is judged, so the verdict is open where the round tells nothing and null else
     */
    public function __invoke(
        #[Items('readings', EdgeReading::class, atLeast: 2)] array $readings,
        #[Measure('near_at_mm', Quantity::Length, min: 0, about: 'beyond the end of the first pipe')] float $near,
        #[Measure('far_at_mm', Quantity::Length, min: 0)] float $far,
        #[Measure('od1_mm', Quantity::Length, above: 0, about: 'wanted with fewer than three positions')] ?float $od1 = null,
        #[Measure('od2_mm', Quantity::Length, above: 0)] ?float $od2 = null,
        #[Measure('least_apart_mm', Quantity::Length, above: 0)] float $apart = 0.05,
    ): array {
        if ($far - $near < $apart) {
            throw Refused::field('far_at_mm', 'far_at_mm is too near to near_at_mm: at least '.Si::mm($apart).' mm apart.');
        }
        $spread = Spread::of(array_map(fn (EdgeReading $r) => $r->degrees, $readings));
        if (\count($readings) > 2 && $spread->isBunched(Spread::PLANE_DEG, Spread::MOST_INFLATION)) {
            return array_fill_keys(self::FITTED, null) +
                ['empty_arc_deg' => $spread->emptyArc, 'verdict' => Verdict::Open->value, 'reasons' => ['bunched']];
        }
        $angles = array_map(fn (EdgeReading $r) => deg2rad($r->degrees), $readings);
        $slopes = array_map(fn (EdgeReading $r) => ($r->far - $r->near) / ($far - $near), $readings);
        $offsets = array_map(fn (EdgeReading $r, float $m) => $r->near - $m * $near, $readings, $slopes);
        [$step, $up, $right] = self::plane($angles, $offsets, $od1 === null || $od2 === null ? null : ($od1 - $od2) / 2);
        [, $slopeUp, $slopeRight] = self::plane($angles, $slopes, $od1 === null || $od2 === null ? null : 0.0);

        return [
            'offset_mm' => Si::mm(hypot($up, $right)),
            'offset_up_mm' => Si::mm($up),
            'offset_right_mm' => Si::mm($right),
            'offset_at_deg' => self::direction($up, $right),
            'od_step_half_mm' => Si::mm($step),
            'slope_up' => $slopeUp,
            'slope_right' => $slopeRight,
            'angle_deg' => rad2deg(atan(hypot($slopeUp, $slopeRight))),
            'bent_at_deg' => self::direction($slopeUp, $slopeRight),
            'empty_arc_deg' => $spread->emptyArc,
            'verdict' => null,
            'reasons' => [],
        ];
    }

    /**
     * Mean, up and right of what was read round the pipe; of two positions a quarter apart only where the mean is known.
     *
     * @param  non-empty-list<float>  $angles  rad
     * @param  non-empty-list<float>  $values
     * @return array{float, float, float}
     */
    private static function plane(array $angles, array $values, ?float $mean): array
    {
        if (\count($angles) > 2) {
            $fit = HarmonicFit::of($angles, $values, [1]) ?? throw RoundFit::tooFew($angles, [1]);
            [$a, $b] = $fit->pair(1);

            return [$fit->mean(), -$a, -$b];
        }
        if ($mean === null) {
            throw Refused::field('readings', 'Two positions tell a step in diameter from an offset only with od1_mm and od2_mm.');
        }
        [$t1, $t2] = $angles;
        $turn = sin($t2 - $t1);
        if (abs($turn) < 0.5) {
            throw Refused::field('readings', 'Two positions must lie about a quarter of the round apart.');
        }
        [$y1, $y2] = [$mean - $values[0], $mean - $values[1]];

        return [$mean, ($y1 * sin($t2) - $y2 * sin($t1)) / $turn, ($y2 * cos($t1) - $y1 * cos($t2)) / $turn];
    }

    private static function direction(float $up, float $right): ?float
    {
        return hypot($up, $right) < self::NOTHING ? null : fmod(rad2deg(atan2($right, $up)) + 360, 360);
    }
}
