<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/** A chamfer from any two of axial length, radial depth, slope length and angle (from the pipe axis unless said). */
#[Calculates(
    'chamfer',
    'What does this chamfer leave of the wall?',
    Family::Measuring,
    ['axial_mm', 'radial_mm', 'slope_mm', 'angle_deg', 'face_left_mm', 'nose_diameter_mm', 'verdict', 'reasons'],
    'Geometry',
    verdicts: ['good', 'bad', 'open'],
)]
final class Chamfer
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('axial_mm', Quantity::Length, above: 0)] ?float $axial = null,
        #[Measure('radial_mm', Quantity::Length, above: 0)] ?float $radial = null,
        #[Measure('slope_mm', Quantity::Length, above: 0)] ?float $slope = null,
        #[Number('angle_deg', min: 1, max: 89)] ?float $angle = null,
        #[Choice('angle_from', ['axis', 'face'])] string $angleFrom = 'axis',
        #[Measure('wall_mm', Quantity::Length, above: 0)] ?float $wall = null,
        #[Measure('od_mm', Quantity::Length, above: 0)] ?float $od = null,
        #[Measure('min_face_mm', Quantity::Length, min: 0)] ?float $minFace = null,
        #[Number('limit_angle_min_deg', min: 0, max: 90)] ?float $angleMin = null,
        #[Number('limit_angle_max_deg', min: 0, max: 90)] ?float $angleMax = null,
        #[Measure('limit_axial_min_mm', Quantity::Length, min: 0)] ?float $axialMin = null,
        #[Measure('limit_axial_max_mm', Quantity::Length, min: 0)] ?float $axialMax = null,
    ): array {
        $given = array_keys(
            array_filter(
                ['axial_mm' => $axial, 'radial_mm' => $radial, 'slope_mm' => $slope, 'angle_deg' => $angle],
                fn ($v) => $v !== null,
            ),
        );
        if (\count($given) !== 2) {
            throw Refused::field(
                $given[2] ?? (\in_array('axial_mm', $given, true) ? 'angle_deg' : 'axial_mm'),
                'give exactly two of axial_mm, radial_mm, slope_mm, angle_deg; '.\count($given).' came.',
            );
        }
        $beta = $angle === null ? null : deg2rad($angleFrom === 'face' ? 90 - $angle : $angle);
        if ($beta !== null && ($beta < deg2rad(1) - 1e-12 || $beta > deg2rad(80) + 1e-12)) {
            throw Refused::field('angle_deg', 'angle_deg is '.$angle.'; allowed is 1 to 80 from the pipe axis.');
        }
        if ($slope !== null && ($slope <= ($axial ?? 0) || $slope <= ($radial ?? 0))) {
            throw Refused::field('slope_mm', 'slope_mm must be longer than the axial length and the radial depth.');
        }
        if ($beta !== null) {
            [$axial, $radial] = match (true) {
                $axial !== null => [$axial, $axial * tan($beta)],
                $radial !== null => [$radial / tan($beta), $radial],
                default => [$slope * cos($beta), $slope * sin($beta)],
            };
        } else {
            $axial ??= sqrt((float) $slope ** 2 - (float) $radial ** 2);
            $radial ??= sqrt((float) $slope ** 2 - $axial ** 2);
            $beta = atan2($radial, $axial);
        }
        if ($wall !== null && Compare::atLeast($radial, $wall)) {
            throw Refused::field(
                'radial_mm',
                sprintf('radial_mm is %g mm: it takes the whole wall of %g mm.', Si::mm($radial), Si::mm($wall)),
            );
        }
        $face = $wall === null ? null : $wall - $radial;

        return [
            'axial_mm' => Si::mm($axial),
            'radial_mm' => Si::mm($radial),
            'slope_mm' => Si::mm(hypot($axial, $radial)),
            'angle_deg' => rad2deg($beta),
            'face_left_mm' => $face === null ? null : Si::mm($face),
            'nose_diameter_mm' => $od === null ? null : Si::mm($od - 2 * $radial),
            ...$this->judge(rad2deg($beta), $axial, $face, [$angleMin, $angleMax, $axialMin, $axialMax, $minFace]),
        ];
    }

    /**
     * @param  array{?float, ?float, ?float, ?float, ?float}  $limits
     * @return array{verdict: string, reasons: list<string>}
     */
    private function judge(float $angle, float $axial, ?float $face, array $limits): array
    {
        [$angleMin, $angleMax, $axialMin, $axialMax, $minFace] = $limits;
        $verdicts = [];
        $reasons = [];
        $checks = [
            ['angle too flat', $angleMin, fn ($l) => Compare::atLeast($angle, $l)],
            ['angle too steep', $angleMax, fn ($l) => Compare::atMost($angle, $l)],
            ['too short along the pipe', $axialMin, fn ($l) => Compare::atLeast($axial, $l)],
            ['too long along the pipe', $axialMax, fn ($l) => Compare::atMost($axial, $l)],
            ['feather edge', $minFace, fn ($l) => $face === null ? null : Compare::atLeast($face, $l)],
        ];
        foreach ($checks as [$why, $limit, $holds]) {
            if ($limit === null) {
                continue;
            }
            $holding = $holds($limit);
            $verdicts[] = $holding === null ? Verdict::Open : ($holding ? Verdict::Good : Verdict::Bad);
            if ($holding !== true) {
                $reasons[] = $holding === null ? 'the wall is not known' : $why;
            }
        }

        return ['verdict' => Verdict::worst(...$verdicts)->value, 'reasons' => $verdicts === [] ? ['no limit'] : $reasons];
    }
}
