<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Readings;
use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Cut again or go: how far the cut face lies out of square. Readings on one side tell no plane: only their own spread
 * is judged, and it can prove bad, never good.
 */
#[Calculates(
    'cut-squareness',
    'Is the cut square enough?',
    Family::Measuring,
    ['out_of_square_mm', 'angle_deg', 'deepest_deg', 'raw_range_mm', 'empty_arc_deg', 'verdict', 'uncertain', 'reasons'],
    'Geometry: twice the first harmonic of the shortfall',
    codes: ['reasons' => ['bunched']],
)]
final class CutSquareness
{
    /**
     * @param  non-empty-list<LengthReading>  $readings  shortfall behind a plane square to the axis
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Readings('readings', LengthReading::class, 'theta_deg', 'value', atLeast: 3)] array $readings,
        #[Measure('od_mm', Quantity::Length, above: 0)] float $od,
        #[Measure('limit_out_of_square_mm', Quantity::Length, min: 0)] ?float $limit = null,
        #[Number('u_expanded', min: 0, about: 'mm')] ?float $u = null,
        #[Choice('rule', Guard::RULES)] string $rule = 'guarded',
        #[Number('max_empty_arc_deg', above: 0, max: 360)] float $maxEmptyArc = Spread::PLANE_DEG,
        #[Number('max_inflation', min: 1)] float $maxInflation = Spread::MOST_INFLATION,
    ): array {
        $values = array_map(fn (LengthReading $r) => $r->value, $readings);
        if (min($values) < 0) {
            throw Refused::field('readings', 'a shortfall must not be negative: measure from the longest point.');
        }
        $angles = array_map(fn (LengthReading $r) => deg2rad($r->degrees), $readings);
        $fit = HarmonicFit::of($angles, $values, [1]) ?? throw RoundFit::tooFew($angles, [1]);
        $out = 2 * $fit->amplitude(1);
        $range = max($values) - min($values);
        $test = DirectionTest::of($fit, 1, null, max($values));
        $spread = Spread::of(array_map(fn (LengthReading $r) => $r->degrees, $readings));
        $bunched = $spread->isBunched($maxEmptyArc, $maxInflation);
        $guard = Guard::judge($bunched ? $range : max($out, $range), null, $limit, $u === null ? null : $u * 0.001, $rule);

        return [
            'out_of_square_mm' => $bunched ? null : Si::mm($out), 'angle_deg' => $bunched ? null : rad2deg(atan($out / $od)),
            'deepest_deg' => $test->shown && ! $bunched ? rad2deg($fit->direction(1)) : null,
            'raw_range_mm' => Si::mm($range), 'empty_arc_deg' => $spread->emptyArc,
            ...($bunched ? $guard->notGood('bunched') : $guard)->toArray(),
        ];
    }
}
