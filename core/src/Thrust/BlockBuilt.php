<?php

declare(strict_types=1);

namespace Diastoma\Core\Thrust;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * A thrust block as it was built against what it has to hold: its face, taped with an uncertainty, against the area that the soil
 * needs ({@see ThrustBlock}), and its height against the depth.
 */
#[Calculates(
    'block-built',
    'Is this thrust block large enough?',
    Family::Gasketed,
    ['area_m2', 'needed_m2', 'needed_width_m', 'height_ok', 'reasons', 'verdict'],
    'Statics; bearing of soils: common practice',
    codes: ['reasons' => ['too-small', 'too-high', 'on-the-border', 'no-uncertainty']],
    verdicts: ['good', 'close', 'open', 'bad'],
)]
final class BlockBuilt
{
    /**
     * @return array{area_m2: float, needed_m2: float, needed_width_m: float, height_ok: bool, reasons: list<string>, verdict: string}
     * `needed_width_m` at the height that it has
     */
    public function __invoke(
        #[Measure('thrust_n', Quantity::Force, min: 0)] float $thrust,
        #[Number('safety_factor', min: 1, max: 3)] float $safety,
        #[Measure('bearing_pa', Quantity::Pressure, above: 0, max: 1e6)] float $bearing,
        #[Measure('height_m', Quantity::Length, above: 0, max: 10)] float $height,
        #[Measure('width_m', Quantity::Length, above: 0, max: 30)] float $width,
        #[Measure('depth_to_base_m', Quantity::Length, above: 0, max: 30)] float $depth,
        #[Measure('u_m', Quantity::Length, min: 0, max: 1, about: 'of height and width as taped, k = 2')] ?float $u = null,
    ): array {
        $wanted = (new ThrustBlock)($thrust, $safety, $bearing, $height, $depth);
        $area = $height * $width;
        $judged = Guard::judge($area, $wanted['area_m2'], null, $u === null ? null : $u * hypot($height, $width), 'guarded');
        $isLow = Compare::atMost($height, $depth / 2);
        $reasons = [
            ...match (true) {
                $judged->verdict === Verdict::Good => [],
                $judged->verdict === Verdict::Bad => ['too-small'],
                $u === null => ['no-uncertainty'],
                default => ['on-the-border'],
            },
            ...($isLow ? [] : ['too-high']),
        ];

        return [
            'area_m2' => $area,
            'needed_m2' => $wanted['area_m2'],
            'needed_width_m' => $wanted['area_m2'] / $height,
            'height_ok' => $isLow,
            'reasons' => $reasons,
            'verdict' => ($isLow ? $judged->verdict : Verdict::Bad)->value,
        ];
    }
}
