<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Readings;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * Angle of a joint from gaps read between its faces: atan(2A/D), widest on the outside of the bend. Readings on one
 * side tell no angle: then it is open and none is given.
 */
#[Calculates(
    'gap-deflection',
    'What angle does the joint stand at, and which way?',
    Family::Measuring,
    ['angle_deg', 'widest_deg', 'bend_towards_deg', 'empty_arc_deg', 'verdict', 'reasons'],
    'Geometry of two planes; least squares, k = 1',
    codes: ['reasons' => ['bunched']],
)]
final class GapDeflection
{
    /**
     * @param  non-empty-list<LengthReading>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Readings('readings', LengthReading::class, 'theta_deg', 'value')] array $readings,
        #[Measure('face_diameter_mm', Quantity::Length, above: 0, about: 'the diameter on which the gap was read')] float $face,
        #[Measure('sigma_mm', Quantity::Length, above: 0)] ?float $sigma = null,
        #[Number('max_empty_arc_deg', above: 0, max: 360)] float $maxEmptyArc = Spread::PLANE_DEG,
        #[Number('max_inflation', min: 1)] float $maxInflation = Spread::MOST_INFLATION,
    ): array {
        $angles = array_map(fn (LengthReading $r) => deg2rad($r->degrees), $readings);
        $values = array_map(fn (LengthReading $r) => $r->value, $readings);
        $fit = HarmonicFit::of($angles, $values, [1]) ?? throw RoundFit::tooFew($angles, [1]);
        $spread = Spread::of(array_map(fn (LengthReading $r) => $r->degrees, $readings));
        if ($spread->isBunched($maxEmptyArc, $maxInflation)) {
            return [
                'angle_deg' => null, 'widest_deg' => null, 'bend_towards_deg' => null, 'empty_arc_deg' => $spread->emptyArc,
                'verdict' => Verdict::Open->value, 'reasons' => ['bunched'],
            ];
        }
        $test = DirectionTest::of($fit, 1, $sigma, max(array_map(abs(...), $values)));
        $shown = $fit->amplitude(1) > 1e-12 && ($sigma === null || $test->shown);
        $widest = rad2deg($fit->direction(1));

        return [
            'angle_deg' => rad2deg(atan(2 * $fit->amplitude(1) / $face)),
            'widest_deg' => $shown ? $widest : null,
            'bend_towards_deg' => $shown ? fmod($widest + 180, 360) : null,
            'empty_arc_deg' => $spread->emptyArc, 'verdict' => null,
            'reasons' => $sigma === null
                ? ['direction untested: the uncertainty of a reading is not given']
                : array_filter([$test->reason]),
        ];
    }
}
