<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * Angle, offset and radius of one pipe length, from any one of them. Three radii go by that name: joints on the circle (this
 * one is used), middles of the pipes on the circle (the American tables), and length over angle.
 */
#[Calculates(
    'joint-offset',
    'How far does the far end of a pipe swing?',
    Family::Gasketed,
    ['angle_deg', 'offset_m', 'advance_m', 'radius_joints_m', 'radius_tangent_m', 'radius_simple_m', 'rise_mm_per_m'],
    'Geometry of a chord',
)]
final class JointOffset
{
    /** @return array<string, float> */
    public function __invoke(
        #[Measure('length_m', Quantity::Length, min: 0.3, max: 20)] float $length,
        #[Number('angle_deg', above: 0, max: 15)] ?float $angle = null,
        #[Measure('offset_m', Quantity::Length, above: 0)] ?float $offset = null,
        #[Measure('radius_m', Quantity::Length, above: 0)] ?float $radius = null,
    ): array {
        $given = array_filter([$angle, $offset, $radius], fn (?float $v) => $v !== null);
        if (\count($given) !== 1) {
            throw Refused::field(
                'angle_deg|offset_m|radius_m',
                'angle_deg, offset_m, radius_m: give one of them, '.(\count($given) === 0 ? 'none came.' : 'and no other.'),
            );
        }
        if ($offset !== null && ! Compare::atMost($offset, 0.26 * $length)) {
            throw Refused::field('offset_m', "offset_m is {$offset} m; no joint swings a pipe of {$length} m by more than 0.26 of it.");
        }
        if ($radius !== null && $radius <= 2 * $length) {
            throw Refused::field('radius_m', "radius_m is {$radius} m; it must be over two lengths of pipe, ".(2 * $length).' m.');
        }
        $theta = match (true) {
            $angle !== null => deg2rad($angle),
            $offset !== null => asin(min(1.0, $offset / $length)),
            default => 2 * asin(min(1.0, $length / (2 * (float) $radius))),
        };

        return [
            'angle_deg' => rad2deg($theta),
            'offset_m' => $length * sin($theta),
            'advance_m' => $length * cos($theta),
            'radius_joints_m' => $length / (2 * sin($theta / 2)),
            'radius_tangent_m' => $length / (2 * tan($theta / 2)),
            'radius_simple_m' => $length / $theta,
            'rise_mm_per_m' => 1000 * tan($theta),
        ];
    }
}
