<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * Whether the bolts can hold a ring gasket at test pressure: a check, not the design of a flange. What seats the gasket and what the
 * pressure wants are held against the bolts' area.
 */
#[Calculates(
    'flange-bolt-load',
    'Can the bolts hold the gasket at this pressure?',
    Family::Mechanical,
    [
        'n_m', 'b0_m', 'b_m', 'g_m', 'h_n', 'hp_n', 'wm1_n', 'wm2_n', 'required_area_m2', 'load_per_bolt_n', 'torque_nm', 'reasons',
        'notes', 'verdict',
    ],
    'ASME BPVC VIII-1, Appendix 2, equations and Table 2-5.2',
    verdicts: ['good', 'bad'],
    codes: ['reasons' => ['bolt-area-short']],
)]
final class FlangeBoltLoad
{
    /** Up to this half width the gasket bears on the whole of it. */
    private const NARROW = 0.006;

    /** @return array<string, mixed> `torque_nm`: the least; the target lies above it */
    public function __invoke(
        #[Measure('gasket_od_m', Quantity::Length, above: 0, about: 'of the ring that touches both faces')] float $outside,
        #[Measure('gasket_id_m', Quantity::Length, above: 0)] float $inside,
        #[Number('m', min: 0, about: "of the gasket's sheet")] float $m,
        #[Measure('y_pa', Quantity::Pressure, min: 0, about: "of the gasket's sheet")] float $y,
        #[Measure('pressure_pa', Quantity::Pressure, min: 0)] float $pressure,
        #[Number('bolts', min: 1, max: 200, whole: true)] float $bolts,
        #[Number('bolt_area_m2', above: 0, about: 'each')] float $area,
        #[Measure('bolt_allow_cold_pa', Quantity::Pressure, above: 0)] float $cold,
        #[Measure('bolt_allow_hot_pa', Quantity::Pressure, above: 0)] float $hot,
        #[Number('nut_factor', min: 0.08, max: 0.4)] float $k,
        #[Measure('diameter_m', Quantity::Length, above: 0, about: 'of the bolt')] float $diameter,
        #[Measure('bolt_circle_m', Quantity::Length, above: 0)] ?float $circle = null,
        #[Measure('bolt_hole_m', Quantity::Length, above: 0)] ?float $hole = null,
    ): array {
        if ($inside >= $outside) {
            throw Refused::field('gasket_id_m', "gasket_id_m is {$inside} m, not less than gasket_od_m, {$outside} m.");
        }
        if ($circle !== null && $hole !== null && ! Compare::atMost($outside, $circle - $hole)) {
            throw Refused::field('gasket_od_m', 'gasket_od_m reaches past the bolts: a full-face gasket is not judged by this method.');
        }
        $n = ($outside - $inside) / 2;
        $b0 = $n / 2;
        $narrow = Compare::atMost($b0, self::NARROW);
        // 2.5 √b0 holds in millimetres.
        $b = $narrow ? $b0 : 2.5 * sqrt($b0 * 1000) / 1000;
        $g = $narrow ? ($outside + $inside) / 2 : $outside - 2 * $b;
        $h = M_PI / 4 * $g ** 2 * $pressure;
        $hp = 2 * M_PI * $b * $g * $m * $pressure;
        $running = $h + $hp;
        $seating = M_PI * $b * $g * $y;
        $wanted = max($running / $hot, $seating / $cold);
        $load = max($running, $seating) / $bolts;
        $found = new Findings;
        Compare::atLeast($bolts * $area, $wanted) || $found->bad('bolt-area-short');

        return [
            'n_m' => $n, 'b0_m' => $b0, 'b_m' => $b, 'g_m' => $g, 'h_n' => $h, 'hp_n' => $hp, 'wm1_n' => $running, 'wm2_n' => $seating,
            'required_area_m2' => $wanted, 'load_per_bolt_n' => $load, 'torque_nm' => $k * $diameter * $load,
        ] + $found->toArray();
    }
}
