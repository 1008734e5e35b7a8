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

/** Length of the chamfer along the barrel and the edge it leaves. */
#[Calculates(
    'spigot-chamfer',
    'How long must the chamfer be, and is it right?',
    Family::Gasketed,
    ['length_m', 'land_m', 'failed', 'pass', 'verdict'],
    'Geometry; 15° to half the wall: common practice for PVC',
    verdicts: ['good', 'bad', 'open'],
    codes: ['failed' => ['over-chamfered', 'under-chamfered']],
)]
final class SpigotChamfer
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('wall_m', Quantity::Length, above: 0)] float $wall,
        #[Number('angle_deg', min: 5, max: 60)] float $angle,
        #[Number('wall_share', above: 0, below: 1)] float $share = 0.5,
        #[Measure('measured_length_m', Quantity::Length, min: 0)] ?float $measured = null,
        #[Measure('tol_m', Quantity::Length, min: 0)] ?float $tolerance = null,
    ): array {
        if ($measured !== null && $tolerance === null) {
            throw Refused::field('tol_m', 'tol_m is missing: a measured length needs its tolerance.');
        }
        $length = $share * $wall / tan(deg2rad($angle));
        $failed = [];
        if ($measured !== null) {
            if (! Compare::atMost($measured, $length + (float) $tolerance)) {
                $failed[] = 'over-chamfered';
            } elseif (! Compare::atLeast($measured, $length - (float) $tolerance)) {
                $failed[] = 'under-chamfered';
            }
        }
        $pass = $measured === null ? null : $failed === [];

        return [
            'length_m' => $length, 'land_m' => $wall * (1 - $share), 'failed' => $failed, 'pass' => $pass,
            'verdict' => $pass === null ? 'open' : ($pass ? 'good' : 'bad'),
        ];
    }
}
