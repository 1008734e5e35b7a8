<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * A density test: dry density and its share of the reference. 95 % of one reference is not 95 % of the other: it is named. Denser
 * than soil without any air cannot be, and is refused.
 */
#[Calculates(
    'compaction-test',
    'Is the soil compacted enough?',
    Family::Gasketed,
    [
        'dry_density_kg_m3', 'degree_pct', 'air_voids_pct', 'zero_air_dry_kg_m3', 'moisture_pass', 'failed', 'warnings', 'pass',
        'verdict', 'reasons',
    ],
    'Dry of wet density; ASTM D698 and D1557 are the two references',
    codes: [
        'failed' => ['density', 'moisture'],
        'warnings' => ['moisture-in-percent', 'over-105'],
        'reasons' => ['no-uncertainty', 'near-limit', 'over-105'],
    ],
)]
final class CompactionTest
{
    /** A dry density of so much more than soil without air can have is a slip of measuring, not soil. */
    private const ABOVE_ZERO_AIR = 1.005;

    /** Over this the reference is the wrong one, or stones are in it, per cent. */
    private const SUSPECT_PCT = 105.0;

    /**
     * @return array{
     *     dry_density_kg_m3: float, degree_pct: float, air_voids_pct: float|null, zero_air_dry_kg_m3: float|null,
     *     moisture_pass: bool|null, failed: list<string>, warnings: list<string>, pass: bool, verdict: string, reasons: list<string>
     * } without an uncertainty close at best; over 105 % nothing is proved
     */
    public function __invoke(
        #[Number('moisture_pct', min: 0, max: 60)] float $moisture,
        #[Measure('max_dry_density_kg_m3', Quantity::Density, min: 1000, max: 2800, about: 'of the reference test')] float $reference,
        #[Number('limit_pct', min: 70, max: 105)] float $limit,
        #[Measure('wet_density_kg_m3', Quantity::Density, min: 1000, max: 3000)] ?float $wet = null,
        #[Measure('wet_mass_kg', Quantity::Mass, above: 0)] ?float $mass = null,
        #[Number('hole_volume_m3', above: 0, max: 1)] ?float $hole = null,
        #[Number('particle_density_ratio', min: 2.4, max: 3.2, about: 'density of the grains, by that of water')] ?float $grains = null,
        #[Number('optimum_moisture_pct', min: 0, max: 60)] ?float $optimum = null,
        #[Number('moisture_window_pct', min: 0, max: 20, about: 'either way')] ?float $window = null,
        #[Number('degree_u_pct', min: 0, max: 20, about: 'uncertainty of the degree, k = 2')] ?float $uncertainty = null,
    ): array {
        $wet = $this->wetDensity($wet, $mass, $hole);
        if (($optimum === null) !== ($window === null)) {
            $missing = $optimum === null ? 'optimum_moisture_pct' : 'moisture_window_pct';
            throw Refused::field($missing, "{$missing} is missing: a window of moisture needs its middle and its width.");
        }
        $dry = $wet / (1 + $moisture / 100);
        $zeroAir = $grains === null ? null : 1000 * $grains / (1 + $moisture * $grains / 100);
        if ($zeroAir !== null && $dry > self::ABOVE_ZERO_AIR * $zeroAir) {
            throw Refused::field('wet_density_kg_m3', sprintf(
                'wet_density_kg_m3 is %.0f kg/m³: dry that is %.0f, and without any air this soil has %.0f. Measure again.',
                $wet,
                $dry,
                $zeroAir,
            ));
        }
        $degree = 100 * $dry / $reference;
        $isDense = Compare::atLeast($degree, $limit);
        $isMoist = $optimum === null || $window === null ? null : Compare::atMost(abs($moisture - $optimum), $window);
        $isSuspect = $degree > self::SUSPECT_PCT;
        $failed = array_keys(array_filter(['density' => ! $isDense, 'moisture' => $isMoist === false]));
        $reasons = array_keys(array_filter([
            'no-uncertainty' => $uncertainty === null,
            'near-limit' => $uncertainty !== null && ! Compare::atLeast($degree - $uncertainty, $limit),
            'over-105' => $isSuspect,
        ]));

        return [
            'dry_density_kg_m3' => $dry,
            'degree_pct' => $degree,
            'air_voids_pct' => $grains === null ? null : 100 * (1 - $dry / 1000 * (1 / $grains + $moisture / 100)),
            'zero_air_dry_kg_m3' => $zeroAir,
            'moisture_pass' => $isMoist,
            'failed' => $failed,
            'warnings' => array_keys(array_filter([
                'moisture-in-percent' => $moisture > 0 && $moisture < 0.6, 'over-105' => $isSuspect,
            ])),
            'pass' => $failed === [],
            'verdict' => match (true) {
                $failed !== [] => Verdict::Bad->value,
                $isSuspect => Verdict::Open->value,
                $reasons !== [] => Verdict::Close->value,
                default => Verdict::Good->value,
            },
            'reasons' => $failed === [] ? $reasons : [],
        ];
    }

    private function wetDensity(?float $wet, ?float $mass, ?float $hole): float
    {
        if (($wet === null) === ($mass === null && $hole === null)) {
            throw Refused::field(
                'wet_density_kg_m3|wet_mass_kg',
                'Give wet_density_kg_m3, or wet_mass_kg with hole_volume_m3: one of the two ways.',
            );
        }
        if ($wet !== null) {
            return $wet;
        }
        if ($mass === null || $hole === null) {
            $missing = $mass === null ? 'wet_mass_kg' : 'hole_volume_m3';
            throw Refused::field($missing, "{$missing} is missing: the wet density is the mass by the volume of the hole.");
        }
        $density = $mass / $hole;
        if ($density < 1000 || $density > 3000) {
            throw Refused::field('hole_volume_m3', sprintf(
                'hole_volume_m3 is %s m³: with %s kg that is %.0f kg/m³; soil has 1000 to 3000.',
                $hole,
                $mass,
                $density,
            ));
        }

        return $density;
    }
}
