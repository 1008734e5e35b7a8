<?php

declare(strict_types=1);

use Diastoma\Core\Refused;

require_once __DIR__.'/helpers.php';

/*
 * Trench, soil, ring and thrust against what shares no formula with them: areas counted cell by cell, statics taken apart, limits
 * from both sides. The worked examples, with their sources, stand in core/tests/examples/gasketed.jsonl.
 */

/** Soil of a layer for a metre of trench, counted in strips 0.2 mm high: the width of the trench less the pipe's chord there. */
function stripsBetween(float $from, float $to, float $width, float $slope, float $radius, float $axis): float
{
    $n = max(1, (int) round(($to - $from) / 0.0002));
    $sum = 0.0;
    for ($i = 0; $i < $n; $i++) {
        $y = $from + ($to - $from) * ($i + 0.5) / $n;
        $sum += ($to - $from) / $n * ($width + 2 * $slope * $y - 2 * sqrt(max(0.0, $radius ** 2 - ($y - $axis) ** 2)));
    }

    return $sum;
}

it('counts the same soil as strip by strip, and all of it is the excavation', function (array $given) {
    $out = calc('trench-volumes', $given);
    $slope = $given['side_slope_h_per_v'] ?? 0;
    $length = $given['length_m'] ?? 1;
    $from = 0.0;
    $sum = $out['pipe_m3'];
    foreach ($out['tops_m'] as $layer => $to) {
        $radius = $given['od_m'] / 2;
        $strips = $length * stripsBetween($from, $to, $given['width_m'], $slope, $radius, $given['bedding_m'] + $radius);
        expect($out["{$layer}_m3"])->toEqualWithDelta($strips, 2e-5 * $length, $layer);
        $sum += $out["{$layer}_m3"];
        $from = $to;
    }
    $wide = $given['width_m'] + 2 * $slope * $given['depth_m'];
    expect($sum)->toEqualWithDelta($out['excavation_m3'], 1e-9)
        ->and($out['excavation_m3'])->toEqualWithDelta($length * ($given['width_m'] + $wide) / 2 * $given['depth_m'], 1e-9);
})->with([
    'upright' => [['od_m' => 0.4, 'width_m' => 1, 'depth_m' => 2, 'bedding_m' => 0.15, 'initial_cover_m' => 0.3]],
    'sloping, with topsoil' => [[
        'od_m' => 0.63, 'width_m' => 1.3, 'depth_m' => 3.1, 'bedding_m' => 0.1, 'initial_cover_m' => 0.3, 'topsoil_m' => 0.25,
        'side_slope_h_per_v' => 0.75, 'haunch_fraction' => 0.3, 'length_m' => 40,
    ]],
    'without bedding, haunch to the crown' => [[
        'od_m' => 0.2, 'width_m' => 0.6, 'depth_m' => 0.9, 'bedding_m' => 0, 'initial_cover_m' => 0, 'haunch_fraction' => 1,
    ]],
]);

it('asks for the width by the table on both sides of each of its steps', function (float $nominal, float $depth, float $width) {
    expect(calc('trench-width', [
        'rule' => 'en-1610', 'od_m' => $nominal / 1000, 'nominal_mm' => $nominal, 'depth_m' => $depth, 'supported' => true,
    ])['width_m'])->toEqualWithDelta($width, 1e-9);
})->with([
    // EN 1610, table 1: additions by size, in a trench under 1 m so that no rule by depth speaks.
    [225, 0.99, 0.225 + 0.4], [226, 0.99, 0.226 + 0.5], [350, 0.99, 0.35 + 0.5], [351, 0.99, 0.351 + 0.7], [700, 0.99, 0.7 + 0.7],
    [701, 0.99, 0.701 + 0.85], [1200, 0.99, 1.2 + 0.85], [1201, 0.99, 1.201 + 1.0],
    // EN 1610, table 2: least widths by depth, of a pipe that needs less.
    [100, 1.0, 0.8], [100, 1.75, 0.8], [100, 1.76, 0.9], [100, 4.0, 0.9], [100, 4.01, 1.0],
]);

it('asks for the smaller room where open walls are flat, and for the angle where they are open', function () {
    $given = ['rule' => 'en-1610', 'od_m' => 0.6, 'nominal_mm' => 600, 'depth_m' => 0.9, 'supported' => false];
    expect(calc('trench-width', $given + ['batter_deg' => 60])['width_m'])->toEqualWithDelta(1.0, 1e-9)
        ->and(calc('trench-width', $given + ['batter_deg' => 61])['width_m'])->toEqualWithDelta(1.3, 1e-9)
        ->and(fn () => calc('trench-width', $given))->toThrow(Refused::class, 'batter_deg');
});

it('reminds at five feet given in any unit, and never says that anything is safe', function () {
    expect(calc('trench-reminder', ['depth_ft' => 5, 'soil' => 'B'])['protection_required'])->toBeTrue()
        ->and(calc('trench-reminder', ['depth_m' => 1.524, 'soil' => 'B'])['protection_required'])->toBeTrue()
        ->and(calc('trench-reminder', ['depth_m' => 1.5239, 'soil' => 'C'])['protection_required'])->toBeFalse()
        ->and(calc('trench-reminder', ['depth_m' => 1.0, 'soil' => 'A'])['defer_to'])->toBe(['competent-person'])
        ->and(calc('trench-reminder', ['depth_ft' => 20.01, 'soil' => 'A']))->toMatchArray([
            'engineer_required' => true, 'slope_h_per_v' => null, 'setback_each_side_m' => null,
        ]);
});

it('ends lifts at the top of the zone, and never needs fewer of them when they must be thinner', function () {
    $before = 0;
    foreach ([0.3, 0.25, 0.2, 0.15, 0.1, 0.05] as $most) {
        $plan = calc('lift-plan', ['zones' => [
            ['from_m' => 0, 'to_m' => 0.1, 'max_lift_m' => 0.15], ['from_m' => 0.1, 'to_m' => 0.72, 'max_lift_m' => $most],
        ]]);
        expect($plan['lift_count'])->toBeGreaterThanOrEqual($before)->and(end($plan['tops_m']))->toBe(0.72);
        foreach (array_keys($plan['tops_m']) as $i) {
            expect($plan['tops_m'][$i] - ($plan['tops_m'][$i - 1] ?? 0))->toBeLessThanOrEqual(max(0.15, $most) + 1e-9);
        }
        $before = $plan['lift_count'];
    }
});

it('says of a density what the uncertainty leaves, on both sides of the limit', function (float $wet, ?float $u, string $verdict) {
    expect(calc('compaction-test', [
        'wet_density_kg_m3' => $wet, 'moisture_pct' => 10, 'max_dry_density_kg_m3' => 2000, 'limit_pct' => 95,
    ] + ($u === null ? [] : ['degree_u_pct' => $u]))['verdict'])->toBe($verdict);
})->with([
    // 95 % of 2000 dry, with 10 % of water: 2090.
    'on the limit, uncertainty not known' => [2090.0, null, 'close'],
    'far above, uncertainty not known' => [2200.0, null, 'close'],
    'above by less than it' => [2100.0, 1.0, 'close'],
    'above by more than it' => [2120.0, 1.0, 'good'],
    'below by less than it' => [2080.0, 1.0, 'bad'],
    'below by more' => [2000.0, 1.0, 'bad'],
    'denser than can be of this reference' => [2320.0, 1.0, 'open'],
]);

it('says of a ring what the uncertainty leaves, and nothing good on a suspect base', function (array $more, string $verdict) {
    expect(calc('ring-deflection', ['base_id_m' => 0.3, 'limit_pct' => 3] + $more)['verdict'])->toBe($verdict);
})->with([
    'round, uncertainty not known' => [['vertical_m' => 0.3], 'close'],
    'on the limit' => [['vertical_m' => 0.291, 'u_m' => 0.0005], 'close'],
    'inside by more than the uncertainty' => [['vertical_m' => 0.2925, 'horizontal_m' => 0.3072, 'u_m' => 0.0005], 'good'],
    'over by less than it' => [['vertical_m' => 0.2908, 'u_m' => 0.0005], 'bad'],
    'peaked past its own limit' => [['vertical_m' => 0.306, 'peak_limit_pct' => 1.5, 'u_m' => 0.0005], 'bad'],
    'the mean has moved: base or reading is wrong' => [['vertical_m' => 0.2965, 'horizontal_m' => 0.2965, 'u_m' => 0.0005], 'open'],
]);

it('says which way the compaction must change', function () {
    $ring = fn (float $vertical) => calc('ring-deflection', ['base_id_m' => 0.6, 'vertical_m' => $vertical, 'limit_pct' => 3])['does'];
    expect($ring(0.575))->toBe(['compact-haunch-more'])->and($ring(0.625))->toBe(['compact-sides-less'])->and($ring(0.6))->toBe([]);
});

it('comes back from one stiffness over the other', function (float $sn) {
    $there = calc('ring-stiffness', ['sn_pa' => $sn]);
    expect(calc('ring-stiffness', ['ps_pa' => $there['ps_pa']])['sn_pa'])->toEqualWithDelta($sn, 1e-9 * $sn)
        // ASTM D2412 and ISO 9969: PS = 53.69 SN.
        ->and($there['ps_pa'] / $sn)->toEqualWithDelta(53.69, 0.005);
})->with([2000.0, 4000.0, 12500.0]);

it('shares nothing where both soils are equal, and nothing where the trench is wide', function () {
    $of = fn (array $more) => calc('soil-modulus', ['soil_group' => 'coarse-clean', 'compaction' => 'moderate', 'od_m' => 0.3] + $more);
    expect($of(['e_native_pa' => 2000 * 6894.757293168361, 'trench_width_m' => 0.9])['zeta'])->toEqualWithDelta(1.0, 1e-12)
        ->and($of(['e_native_pa' => 1e6, 'trench_width_m' => 30])['zeta'])->toEqualWithDelta(1.0, 1e-9)
        ->and($of(['e_native_pa' => 1e6, 'trench_width_m' => 0.6])['zeta'])->toBeLessThan(1.0)
        ->and(fn () => $of(['e_native_pa' => 1e6]))->toThrow(Refused::class, 'trench_width_m')
        ->and(fn () => calc('soil-modulus', ['soil_group' => 'fine-fat', 'compaction' => 'high']))->toThrow(Refused::class, 'soil_group');
});

it('rests on the pipe alone where the soil holds nothing', function () {
    $given = ['cover_m' => 2, 'soil_n_m3' => 18000, 'bedding_k' => 0.1, 'lag' => 1, 'e_design_pa' => 0];
    expect(calc('ring-deflection-forecast', $given + ['sn_pa' => 4000]))->toMatchArray(['pipe_share_pct' => 100.0])
        ->and(calc('ring-deflection-forecast', $given + ['sn_pa' => 4000, 'limit_pct' => 15])['verdict'])->toBe('close')
        ->and(calc('ring-deflection-forecast', $given + ['sn_pa' => 4000])['verdict'])->toBe('open')
        ->and(calc('ring-deflection-forecast', $given + ['sn_pa' => 400, 'limit_pct' => 5])['verdict'])->toBe('bad');
});

it('puts the wheel of a point load on the pipe as the integral of its pressure gives it back', function () {
    // What a point load spreads over a level plane in all is the load again: rings of the plane, added up.
    $sum = 0.0;
    for ($r = 0.005; $r < 200; $r += 0.01) {
        $offset = min($r, 50.0);
        $p = calc('wheel-load', ['wheel_n' => 1000, 'cover_m' => 1, 'method' => 'boussinesq', 'offset_m' => $offset])['pressure_pa'];
        $sum += $r > 50 ? 0 : $p * 2 * M_PI * $r * 0.01;
    }
    expect($sum)->toEqualWithDelta(1000, 1);
});

it('pushes at a bend of 180° twice as at an end, of 60° just as much, its parts together', function (float $angle, float $times) {
    $end = calc('thrust-force', ['type' => 'dead-end', 'pressure_pa' => 1e6, 'od_m' => 0.3])['thrust_n'];
    $bend = calc('thrust-force', ['type' => 'bend', 'pressure_pa' => 1e6, 'od_m' => 0.3, 'angle_deg' => $angle]);
    expect($bend['thrust_n'])->toEqualWithDelta($times * $end, 1e-6 * $end)
        ->and(hypot($bend['along_n'], $bend['across_n']))->toEqualWithDelta($bend['thrust_n'], 1e-6 * $end);
})->with([[180.0, 2.0], [60.0, 1.0], [90.0, M_SQRT2], [11.25, 2 * sin(M_PI / 32)]]);

it('locks a shallow bend hardly, an end most, and a tee by what its branch leaves', function () {
    $of = fn (array $more) => calc('restrained-length', $more + [
        'pressure_pa' => 1e6, 'od_m' => 0.3, 'safety_factor' => 1.5, 'friction_n_m' => 4000,
    ])['length_m'];
    expect($of(['type' => 'bend-horizontal', 'angle_deg' => 90, 'bearing_n_m' => 0]))
        ->toEqualWithDelta($of(['type' => 'dead-end']), 1e-9)
        ->and($of(['type' => 'bend-down', 'angle_deg' => 11.25]))->toBeLessThan($of(['type' => 'dead-end']) / 10)
        ->and($of(['type' => 'tee', 'branch_od_m' => 0.1, 'run_length_m' => 6, 'bearing_n_m' => 8000]))->toBe(0.0)
        ->and(fn () => $of(['type' => 'reducer', 'small_od_m' => 0.3]))->toThrow(Refused::class, 'small_od_m');
});

it('floats or stays by the cover that it says is needed', function (float $od, float $mass) {
    $given = ['od_m' => $od, 'mass_kg_per_m' => $mass, 'submerged_n_m3' => 9000, 'required_fs' => 1.2];
    $needed = calc('pipe-flotation', $given + ['cover_m' => 0])['cover_needed_m'];
    expect(calc('pipe-flotation', $given + ['cover_m' => $needed])['pass'])->toBeTrue();
    if ($needed > 0) {
        expect(calc('pipe-flotation', $given + ['cover_m' => $needed - 0.001])['pass'])->toBeFalse();
    }
})->with([[0.17, 26.0], [0.326, 61.0], [0.63, 46.0], [1.2, 300.0]]);

it('finds back-fall, standing water and the high points of a pressure main', function () {
    $points = fn (array $levels) => array_map(
        fn (int $i) => ['chainage_m' => 6 * $i, 'design_m' => $levels[$i], 'measured_m' => $levels[$i]],
        array_keys($levels),
    );
    $sewer = calc('level-check', ['points' => $points([10.0, 10.03, 10.01, 10.05]), 'level_tol_m' => 0.01, 'level_u_m' => 0.002]);
    expect($sewer['failed'])->toBe(['backfall'])
        ->and($sewer['failed_points'])->toBe([3])
        ->and($sewer['max_pond_m'])->toEqualWithDelta(0.02, 1e-12)
        ->and($sewer['verdict'])->toBe('bad');
    $main = calc('level-check', [
        'points' => $points([10.0, 10.03, 10.01, 10.05]), 'level_tol_m' => 0.01, 'level_u_m' => 0.002, 'pressure_main' => true,
    ]);
    expect($main['high_points'])->toBe([2])->and($main['verdict'])->toBe('good')->and($main['not_judged'])->toBe(
        ['line_tol_m', 'min_grade_ratio'],
    );
    $unknown = calc('level-check', ['points' => $points([10.0, 10.03]), 'level_tol_m' => 0.01]);
    expect($unknown['verdict'])->toBe('close')->and($unknown['not_judged'])->toContain('level_u_m');
});

it('says a grade in every way and comes back', function (string $key) {
    $there = calc('grade-convert', ['ratio' => -0.0125]);
    expect(calc('grade-convert', [$key => $there[$key]])['ratio'])->toEqualWithDelta(-0.0125, 1e-12);
})->with(['ratio', 'percent', 'per_mille', 'one_in', 'angle_deg']);
