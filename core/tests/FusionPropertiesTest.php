<?php

declare(strict_types=1);

use Diastoma\Core\Data;
use Diastoma\Core\Electrofusion\FittingCode;
use Diastoma\Core\Simulation\Noise;

require_once __DIR__.'/helpers.php';

/*
 * What must hold for any figures, whatever the tables say: balances, inverses, brute force against the formula, the
 * calendar of PHP against the clocks. Sources are geometry, Ohm's law and the definitions of the sheet's own terms.
 */
function anywhere(Noise $noise, float $from, float $to): float
{
    return $from + ($to - $from) * (0.5 + 0.5 * max(-1.0, min(1.0, $noise->uniform())));
}

it('balances the power on a lead as a phasor diagram does', function () {
    $noise = new Noise(7);
    for ($k = 0; $k < 60; $k++) {
        $in = [
            'supply_v' => anywhere($noise, 110, 240),
            'load_w' => anywhere($noise, 500, 3000),
            'power_factor' => anywhere($noise, 0.7, 1),
            'length_m' => anywhere($noise, 5, 60),
            'area_mm2' => anywhere($noise, 1.5, 6),
            'limit_pct' => 5,
        ];
        $out = calc('lead-drop', $in);
        if ($out['collapse']) {
            continue;
        }
        // Ohm and Pythagoras: source = load + drop, the current lagging by the angle of the power factor.
        $current = $in['load_w'] / ($out['load_v'] * $in['power_factor']);
        $along = $out['load_v'] + $current * $in['power_factor'] * $out['loop_ohm'];
        $across = $current * sqrt(1 - $in['power_factor'] ** 2) * $out['loop_ohm'];
        expect(sqrt($along ** 2 + $across ** 2))
            ->toEqualWithDelta($in['supply_v'], 1e-6 * $in['supply_v'])
            ->and($out['loss_w'])
            ->toEqualWithDelta($current ** 2 * $out['loop_ohm'], 1e-6);
        $longest = calc('lead-drop', ['length_m' => $out['length_max_m']] + $in);
        expect($longest['drop_pct'])
            ->toEqualWithDelta(5.0, 1e-6)
            ->and(calc('lead-drop', ['length_m' => 1.001 * $out['length_max_m']] + $in)['verdict'])
            ->toBe('bad');
    }
});

it('sizes a set so that the next larger load does not fit', function () {
    $in = ['p_fuse_w' => 1300, 'efficiency' => 0.85, 'power_factor' => 0.8, 'other_va' => 300, 'margin_pct' => 25, 'derate_pct' => 7];
    $needed = calc('generator-size', $in)['required_va'];
    expect($needed)
        ->toEqualWithDelta(((1300 / 0.85 / 0.8 + 300) * 1.25) / 0.93, 1e-9)
        ->and(calc('generator-size', $in + ['rated_va' => $needed])['verdict'])
        ->toBe('good')
        ->and(calc('generator-size', ['p_fuse_w' => 1301] + $in + ['rated_va' => $needed])['verdict'])
        ->toBe('bad')
        ->and(calc('generator-size', $in)['verdict'])
        ->toBe('open');
    // Fuel goes with the time; nobody fuses on half of it.
    $fuel = fn (float $t) => calc('generator-size', $in + ['t_s' => $t, 'l_per_kwh' => 0.6])['fuel_l'];
    expect($fuel(900))->toEqualWithDelta(3 * $fuel(300), 1e-12);
});

it('keeps to the squares of Ohm and Joule', function () {
    $one = calc('fusion-energy', ['u_v' => 39.5, 'r_ohm' => 1.6, 't_s' => 150]);
    $low = calc('fusion-energy', ['u_v' => 0.9 * 39.5, 'r_ohm' => 1.6, 't_s' => 150]);
    expect($low['energy_j'])
        ->toEqualWithDelta(0.81 * $one['energy_j'], 1e-6)
        ->and($one['power_w'])
        ->toEqualWithDelta($one['current_a'] * 39.5, 1e-9);
    foreach ([-10, 0, 15, 23, 40] as $t) {
        $time = calc('fusion-time-corrected', [
            't_nom_s' => 200,
            'temp_c' => $t,
            't_ref_c' => 23,
            'k_cold_pct_per_k' => 0.4,
            'k_hot_pct_per_k' => 0.2,
        ]);
        expect($time['t_corr_s'])
            ->toEqualWithDelta(200 * (1 + ($t < 23 ? 0.004 : 0.002) * (23 - $t)), 1e-9)
            ->and($time['t_set_s'])
            ->toEqualWithDelta(floor($time['t_corr_s'] + 0.5), 1e-9);
    }
    $window = calc('element-resistance', [
        'r_nom_ohm' => 1.6,
        'tcr_per_k' => 0,
        't_ref_c' => 23,
        'temp_c' => 5,
        'tol_pct' => 10,
        'contact_ohm' => 0.1,
    ]);
    foreach ([['r_min_ohm', -1], ['r_max_ohm', 1]] as [$edge, $out]) {
        $read = fn (float $r) => calc('element-resistance', [
            'r_nom_ohm' => 1.6,
            'tcr_per_k' => 0,
            't_ref_c' => 23,
            'temp_c' => 5,
            'tol_pct' => 10,
            'contact_ohm' => 0.1,
            'r_meas_ohm' => $r,
        ])['verdict'];
        expect($read($window[$edge] - 1e-4 * $out))->toBe('good')->and($read($window[$edge] + 1e-4 * $out))->toBe('bad');
    }
});

it('predicts the gap that a ring of feelers then shows', function () {
    $noise = new Noise(11);
    for ($k = 0; $k < 40; $k++) {
        $in = [
            'bore_mm' => 634,
            'od_mm' => 630.5,
            'ovality_mm' => anywhere($noise, 0.2, 3),
            'axis_deg' => anywhere($noise, 0, 179),
            'ecc_mm' => anywhere($noise, 0.05, 0.8),
            'ecc_deg' => anywhere($noise, 0, 359),
        ];
        $gap = calc('annular-gap', $in);
        $at = fn (float $deg): float => 1.75 -
            ($in['ovality_mm'] / 4) * cos(2 * deg2rad($deg - $in['axis_deg'])) -
            $in['ecc_mm'] * cos(deg2rad($deg - $in['ecc_deg']));
        $all = array_map(fn (int $d) => $at($d / 10), range(0, 3599));
        expect($gap['gap_max_mm'])
            ->toEqualWithDelta(max($all), 2e-3)
            ->and($gap['gap_min_mm'])
            ->toEqualWithDelta(min($all), 2e-3)
            ->and($gap['gap_mean_mm'])
            ->toEqualWithDelta(1.75, 1e-9)
            ->and($gap['interference'])
            ->toBe(min($all) < -1e-9);
        if ($gap['interference']) {
            continue;
        }
        $felt = calc('gap-feelers', [
            'readings' => array_map(fn (int $i) => ['clock_h' => 1.5 * $i, 'gap_mm' => $at(45 * $i)], range(0, 7)),
        ]);
        expect($felt['ecc_mm'])->toEqualWithDelta($in['ecc_mm'], 1e-9)->and($felt['ovality_mm'])->toEqualWithDelta($in['ovality_mm'], 1e-9);
        expect(abs(fmod($felt['ecc_toward_deg'] - $in['ecc_deg'] + 540, 360) - 180))->toBeLessThan(1e-6);
        // Opposite gaps add up to bore less diameter in that direction.
        foreach ($felt['opposite_sum_mm'] as $i => $sum) {
            expect($sum)->toEqualWithDelta(3.5 - $in['ovality_mm'] / 2 * cos(2 * deg2rad(45 * $i - $in['axis_deg'])), 1e-9);
        }
    }
});

it('reads the same shape wherever the turning gauge sits, and turns with the pipe', function () {
    $noise = new Noise(5);
    $radii = fn (float $oval, float $axis, float $lobe, float $ecc, float $turn): array => array_map(
        fn (int $i) => [
            'angle_deg' => 30 * $i,
            'r_mm' => 315 +
                ($oval / 4) * cos(2 * deg2rad(30 * $i - $axis - $turn)) +
                $lobe * cos(3 * deg2rad(30 * $i - $turn)) +
                $ecc * cos(deg2rad(30 * $i - 77)),
        ],
        range(0, 11),
    );
    for ($k = 0; $k < 30; $k++) {
        [$oval, $axis, $lobe] = [anywhere($noise, 1, 9), anywhere($noise, 5, 140), anywhere($noise, 0.1, 1)];
        $centred = calc('ovality-radii', ['readings' => $radii($oval, $axis, $lobe, 0, 0)]);
        $beside = calc('ovality-radii', ['readings' => $radii($oval, $axis, $lobe, anywhere($noise, 0.5, 4), 0)]);
        $turned = calc('ovality-radii', ['readings' => $radii($oval, $axis, $lobe, 0, 30)]);
        expect($centred['ovality_fit_mm'])
            ->toEqualWithDelta($oval, 1e-9)
            ->and($centred['axis_deg'])
            ->toEqualWithDelta($axis, 1e-6)
            ->and($centred['lobe3_mm'])
            ->toEqualWithDelta($lobe, 1e-9)
            ->and($beside['ovality_fit_mm'])
            ->toEqualWithDelta($oval, 1e-9)
            ->and($beside['axis_deg'])
            ->toEqualWithDelta($axis, 1e-6)
            ->and($beside['ecc_deg'])
            ->toEqualWithDelta(77, 1e-6)
            ->and($turned['ovality_fit_mm'])
            ->toEqualWithDelta($oval, 1e-9)
            ->and(fmod($turned['axis_deg'] - $axis + 180, 180))
            ->toEqualWithDelta(30, 1e-6);
        // What is drawn is the pipe, wherever the gauge stood.
        foreach ($beside['centred'] as $i => $seen) {
            expect($seen['clock'])
                ->toBe($i === 0 ? '12:00' : "{$i}:00")
                ->and($seen['value_mm'])
                ->toEqualWithDelta($centred['centred'][$i]['value_mm'], 1e-9);
        }
    }
});

it('cuts off just so much of a tapered end that the rest is within the limit', function () {
    $od = fn (float $x): float => 316 - 3.1 * exp(-$x / 30);
    $profile = fn (float $from): array => array_map(fn (int $x) => ['x_mm' => $x, 'od_mm' => $od($from + $x)], range(0, 300, 5));
    $found = calc('toe-in', ['profile' => $profile(0), 'limit_mm' => 0.8]);
    expect($found['verdict'])->toBe('bad')->and($found['cut_off_mm'])->toEqualWithDelta(30 * log(3.1 / 0.8), 0.2);
    expect(calc('toe-in', ['profile' => $profile($found['cut_off_mm'] + 0.3), 'limit_mm' => 0.8])['verdict'])->toBe('good')
        ->and(calc('toe-in', ['profile' => $profile($found['cut_off_mm'] - 2), 'limit_mm' => 0.8])['verdict'])->toBe('bad');
});

it('counts passes as one who peels and measures until no more is allowed', function () {
    $noise = new Noise(3);
    for ($k = 0; $k < 60; $k++) {
        $in = [
            'od_mm' => anywhere($noise, 110.2, 110.9),
            'depth_per_pass_mm' => anywhere($noise, 0.05, 0.3),
            'od_min_mm' => 109.4,
            'bore_mm' => anywhere($noise, 110.9, 111.6),
            'gap_max_mm' => 0.8,
            'wall_mm' => anywhere($noise, 10.0, 10.6),
            'wall_min_mm' => 9.6,
        ];
        $passes = 0;
        while (
            $in['od_mm'] - 2 * ($passes + 1) * $in['depth_per_pass_mm'] >= $in['od_min_mm'] - 1e-9 &&
            ($in['bore_mm'] - $in['od_mm'] + 2 * ($passes + 1) * $in['depth_per_pass_mm']) / 2 <= $in['gap_max_mm'] + 1e-9 &&
            $in['wall_mm'] - ($passes + 1) * $in['depth_per_pass_mm'] >= $in['wall_min_mm'] - 1e-9
        ) {
            $passes++;
        }
        $out = calc('scrape-budget', $in);
        expect($out['passes'])
            ->toEqual($passes)
            ->and($out['od_after_mm'])
            ->toEqualWithDelta($in['od_mm'] - 2 * $passes * $in['depth_per_pass_mm'], 1e-9);
    }
    expect(refused('scrape-budget', ['od_mm' => 110, 'depth_per_pass_mm' => 0.2]))
        ->toBe('od_min_mm')
        ->and(refused('scrape-budget', ['od_mm' => 110, 'depth_per_pass_mm' => 0.2, 'bore_mm' => 111]))
        ->toBe('gap_max_mm');
});

it('weighs back the depth that was peeled', function (float $depth) {
    // A ring of that depth, 120 mm long, of PE of 950 kg/m³.
    $grams = 1000 * 950 * M_PI * (0.1104 - $depth / 1000) * $depth / 1000 * 0.12;
    $by = calc('scrape-depth', ['od_before_mm' => 110.4, 'ribbon_g' => $grams, 'length_mm' => 120, 'min_mm' => 0.2, 'max_mm' => 0.4]);
    expect($by['depth_ribbon_mm'])
        ->toEqualWithDelta($depth, 1e-9)
        ->and($by['basis'])
        ->toBe('ribbon')
        ->and($by['verdict'])
        ->toBe($depth < 0.2 || $depth > 0.4 ? 'bad' : 'good');
    // A chip flatters: it can condemn, never acquit.
    expect(
        calc('scrape-depth', ['od_before_mm' => 110.4, 'chip_mm' => $depth, 'chip_ratio' => 1, 'min_mm' => 0.2, 'max_mm' => 0.4])[
            'verdict'
        ],
    )->not->toBe('good');
})->with([0.1, 0.21, 0.3, 0.39, 0.6]);

it('cuts a piece that fits on the day of the tie-in', function () {
    $noise = new Noise(9);
    for ($k = 0; $k < 40; $k++) {
        $in = [
            'gap_mm' => anywhere($noise, 800, 6000),
            'end_clearance_mm' => anywhere($noise, 0, 6),
            't_measure_c' => anywhere($noise, -5, 40),
            't_tie_c' => anywhere($noise, -5, 40),
            't_piece_c' => anywhere($noise, -5, 40),
            'free_string_mm' => anywhere($noise, 0, 20000),
        ];
        $out = calc('electrofusion-closing-piece', $in);
        $grown = $out['cut_length_mm'] * (1 + 1.8e-4 * ($in['t_tie_c'] - $in['t_piece_c']));
        expect($grown + 2 * $in['end_clearance_mm'])
            ->toEqualWithDelta($out['gap_at_tie_mm'], 1e-6)
            ->and($out['gap_at_tie_mm'])
            ->toEqualWithDelta($in['gap_mm'] - 1.8e-4 * $in['free_string_mm'] * ($in['t_tie_c'] - $in['t_measure_c']), 1e-6);
    }
    // There and back again a string has its length; a held one pulls as hard as it pushed.
    $step = fn (float $from, float $to) => calc('pe-thermal-length', [
        'length_m' => 100,
        't1_c' => $from,
        't2_c' => $to,
        'od_mm' => 110,
        'wall_mm' => 10,
        'e_mpa' => 800,
    ]);
    expect($step(38, 12)['dl_mm'] + $step(12, 38)['dl_mm'])
        ->toEqualWithDelta(0, 1e-9)
        ->and($step(10, 20)['dl_mm'] + $step(20, 35)['dl_mm'])
        ->toEqualWithDelta($step(10, 35)['dl_mm'], 1e-9)
        ->and($step(38, 12)['stress_mpa'])
        ->toEqualWithDelta(-$step(12, 38)['stress_mpa'], 1e-12)
        ->and($step(38, 12)['stress_mpa'])
        ->toBeGreaterThan(0);
});

it('writes and reads a code by any layout that holds what is wanted', function () {
    $noise = new Noise(13);
    $own = [
        'fields' => [
            'voltage_v' => ['from' => 1, 'to' => 3, 'scale' => 0.1],
            'dn_mm' => ['from' => 22, 'to' => 23, 'values' => ['01' => 63, '02' => 110, '03' => 630]],
            'resistance_mantissa' => ['from' => 5, 'to' => 8],
            'resistance_exponent' => ['from' => 9, 'to' => 9],
            'time' => ['from' => 12, 'to' => 14],
            'time_unit' => ['from' => 15, 'to' => 15, 'seconds' => ['0' => 1, '7' => 10]],
            'cooling_min' => ['from' => 17, 'to' => 18],
        ],
    ];
    foreach (['T1', $own] as $layout) {
        for ($k = 0; $k < 60; $k++) {
            $values = [
                'dn_mm' => [63, 110, 630][$k % 3],
                'voltage_v' => round(anywhere($noise, 8, 48), 1),
                'resistance_ohm' => round(anywhere($noise, 0.1, 9.9), 2),
                'time_s' => $k % 2 === 0 ? round(anywhere($noise, 5, 999)) : 10 * round(anywhere($noise, 100, 360)),
            ];
            $code = calc('fitting-code-encode', ['layout' => $layout] + $values + (is_array($layout) ? ['cooling_min' => 12] : []))['code'];
            $read = calc('fitting-code', ['code' => $code, 'layout' => $layout]);
            expect(strlen($code))
                ->toBe(24)
                ->and(array_map(fn ($v) => round((float) $v, 6), array_intersect_key($read, $values)))
                ->toEqual(array_map(floatval(...), array_intersect_key(array_replace($read, $values), $values)));
        }
    }
});

it('sees two swapped neighbours of a code unless they differ by five, and says nothing of those', function () {
    $code = '010000110395160210150039';
    for ($i = 0; $i < 22; $i++) {
        $swapped = $code;
        [$swapped[$i], $swapped[$i + 1]] = [$code[$i + 1], $code[$i]];
        $differ = abs((int) $code[$i] - (int) $code[$i + 1]);
        // Weights of 3 and 1: a swap moves the sum by twice the difference (maths of the weights, modulo ten).
        expect(FittingCode::checkDigit(substr($swapped, 0, 23)) === (int) $code[23])->toBe($differ % 5 === 0);
    }
});

it('goes round the preheating loop as the book says, for every run of gaps', function () {
    $gaps = [1.0, 1.99, 2.0, 2.6];
    foreach ($gaps as $start) {
        $pairs = array_merge(...array_map(fn ($a) => array_map(fn ($b) => [$a, $b], $gaps), $gaps));
        foreach ([[], ...array_map(fn ($g) => [$g], $gaps), ...$pairs] as $after) {
            foreach ([false, true] as $mandatory) {
                // By hand: fuse at the first gap below 2 mm, never more than two preheatings.
                $wanted = $start < 2 && ! $mandatory ? 'fuse' : 'preheat';
                $used = 0;
                foreach ($after as $gap) {
                    if ($wanted !== 'preheat') {
                        break;
                    }
                    $used++;
                    $wanted = $gap < 2 ? 'fuse' : ($used === 2 ? 'reject' : 'preheat');
                }
                if ($used < count($after)) {
                    continue;
                }
                $out = calc('preheat-loop', [
                    'limit_mm' => 2,
                    'max_preheats' => 2,
                    'precool_s' => 600,
                    'gap_start_mm' => $start,
                    'mandatory' => $mandatory,
                    'preheats' => array_map(fn ($g) => ['waited_s' => 600, 'gap_mm' => $g], $after),
                ]);
                expect([$out['state'], $out['preheats_used']])->toEqual([$wanted, $used], json_encode([$start, $after, $mandatory]));
            }
        }
    }
    $short = fn (array $preheats) => [
        'limit_mm' => 2,
        'max_preheats' => 3,
        'precool_s' => 600,
        'gap_start_mm' => 2.6,
        'preheats' => $preheats,
    ];
    expect(calc('preheat-loop', $short([['waited_s' => 480]]))['wait_more_s'])
        ->toEqual(120)
        ->and(refused('preheat-loop', $short([['waited_s' => 480, 'gap_mm' => 2.5], ['waited_s' => 600, 'gap_mm' => 1]])))
        ->toBe('preheats');
});

it('tells one story whatever the order in which the traces came in', function () {
    $trace = fn (string $role, int $from, int $to, string $verdict = 'good') => [
        'role' => $role,
        'start' => sprintf('2026-05-04T%02d:%02d:00Z', 8 + intdiv($from, 60), $from % 60),
        'end' => sprintf('2026-05-04T%02d:%02d:00Z', 8 + intdiv($to, 60), $to % 60),
        'verdict' => $verdict,
    ];
    $stories = [
        [['preheat', 'side-a', 'side-b'], [$trace('preheat', 0, 10), $trace('side-a', 40, 55), $trace('side-b', 60, 75)], []],
        [['side-a', 'side-b'], [$trace('side-b', 40, 55), $trace('side-a', 60, 75)], []],
        [['fusion'], [$trace('fusion', 0, 1, 'bad'), $trace('fusion', 90, 93)], ['repeated:fusion']],
        [['fusion'], [$trace('fusion', 0, 4, 'bad')], ['bad:fusion']],
        [['fusion'], [$trace('fusion', 0, 4, 'open')], ['open:fusion']],
        [['side-a', 'side-b'], [$trace('side-a', 0, 15)], ['missing:side-b']],
        [['fusion'], [], ['missing:fusion']],
        [['fusion'], [$trace('fusion', 0, 4), $trace('side-a', 10, 14)], ['unexpected:side-a']],
        [['preheat', 'fusion'], [$trace('fusion', 0, 4), $trace('preheat', 10, 20)], ['order']],
        [['preheat', 'fusion'], [$trace('preheat', 0, 4), $trace('preheat', 10, 20), $trace('fusion', 40, 50)], ['too-many:preheat']],
    ];
    foreach ($stories as [$required, $traces, $reasons]) {
        $told = calc('joint-story', ['roles_required' => $required, 'traces' => $traces]);
        $mixed = calc('joint-story', ['roles_required' => $required, 'traces' => array_reverse($traces)]);
        expect($told['reasons'])
            ->toEqual($reasons)
            ->and($mixed)
            ->toEqual($told)
            ->and($told['verdict'])
            ->toBe(
                $reasons === []
                    ? 'good'
                    : (array_filter($reasons, fn ($r) => ! str_starts_with($r, 'missing') && ! str_starts_with($r, 'open')) === []
                        ? 'open'
                        : 'bad'),
            );
    }
    expect(refused('joint-story', ['roles_required' => ['fusion'], 'traces' => [$trace('fusion', 0, 10), $trace('fusion', 5, 15)]]))->toBe(
        'traces',
    );
});

it('adds cooling times as the calendar of the place does, over both changes of the clock', function (string $zone, string $from) {
    $start = new DateTimeImmutable($from);
    for ($i = 0; $i < 24; $i++) {
        $end = $start->modify('+'. 5 * $i.' minutes');
        $out = calc('cooling-clock', [
            'fusion_end' => $end->format(DATE_ATOM),
            'cooling_s' => 1500,
            'time_zone' => $zone,
            'test_rule' => ['type' => 'multiple', 'factor' => 4],
            'released' => $end->modify('+1500 seconds')->format(DATE_ATOM),
        ]);
        $there = (new DateTimeImmutable($out['dismantle_utc']))->setTimezone(new DateTimeZone($zone));
        expect($there->getTimestamp() - $end->getTimestamp())
            ->toBe(1500)
            ->and(new DateTimeImmutable($out['dismantle_local']))
            ->toEqual($there)
            ->and($out['dismantle_local'])
            ->toBe($there->format('Y-m-d\TH:i:sP'))
            ->and((new DateTimeImmutable($out['test_utc']))->getTimestamp() - $end->getTimestamp())
            ->toBe(6000)
            ->and($out['released_early_s'])
            ->toEqual(0)
            ->and($out['verdict'])
            ->toBe('good');
        $early = calc('cooling-clock', [
            'fusion_end' => $end->format(DATE_ATOM),
            'cooling_s' => 1500,
            'time_zone' => $zone,
            'released' => $end->modify('+1499 seconds')->format(DATE_ATOM),
        ]);
        expect([$early['released_early_s'], $early['verdict']])->toEqual([1, 'bad']);
    }
})->with([
    ['Europe/Vienna', '2026-10-25T00:10:00Z'],
    ['Europe/Vienna', '2027-03-28T00:10:00Z'],
    ['America/New_York', '2026-11-01T05:10:00Z'],
    ['Australia/Lord_Howe', '2027-04-03T14:10:00Z'],
    ['Asia/Kathmandu', '2026-12-31T17:40:00Z'],
]);

it('finds dew where the air is full, and never a warmer one', function () {
    for ($air = -20; $air <= 45; $air += 5) {
        expect(calc('dew-point', ['air_c' => $air, 'rh_pct' => 100])['dew_c'])->toEqualWithDelta($air, 1e-9);
        $before = -100.0;
        foreach ([5, 20, 40, 60, 80, 95] as $rh) {
            $out = calc('dew-point', ['air_c' => $air, 'rh_pct' => $rh]);
            // The water in the air is all that saturated air holds at the dew point.
            expect($out['e_hpa'])
                ->toEqualWithDelta(
                    calc('dew-point', ['air_c' => max(-45, $out['dew_c']), 'rh_pct' => 100])['e_hpa'],
                    $out['dew_c'] < -45 ? INF : 1e-9,
                )
                ->and($out['dew_c'])
                ->toBeGreaterThan($before)
                ->and($out['dew_c'])
                ->toBeLessThan($air);
            $before = $out['dew_c'];
        }
    }
});

it('calls the weather good only when nothing is missing and nothing fails', function () {
    $fine = [
        'air_c' => 12,
        'rh_pct' => 55,
        'pipe_c' => 11,
        'fitting_c' => 12,
        'air_min_c' => -5,
        'air_max_c' => 40,
        'diff_max_k' => 5,
        'dew_margin_min_k' => 3,
        'wind_ms' => 4,
        'wind_max_ms' => 5,
        'shelter' => false,
        'rain' => false,
    ];
    expect(calc('weld-conditions', $fine)['verdict'])->toBe('good');
    foreach (
        [
            'air_min_c' => 'air-range',
            'air_max_c' => 'air-range',
            'diff_max_k' => 'temperature-difference',
            'dew_margin_min_k' => 'condensation',
            'wind_max_ms' => 'wind',
            'rain' => 'rain',
        ] as $left => $item
    ) {
        $out = calc('weld-conditions', array_diff_key($fine, [$left => 1]));
        expect($out['verdict'])->toBe('open', $left)->and($out['open_items'])->toBe([$item]);
    }
    foreach (
        [
            ['air_c', 41, 'air-range'],
            ['fitting_c', 17, 'temperature-difference'],
            ['rh_pct', 95, 'condensation'],
            ['wind_ms', 6, 'wind'],
            ['rain', true, 'rain'],
        ] as [$key, $value, $item]
    ) {
        $out = calc('weld-conditions', [$key => $value] + $fine);
        expect($out['verdict'])->toBe('bad')->and($out['fails'])->toContain($item);
    }
    // Under a shelter neither wind nor rain is asked.
    expect(calc('weld-conditions', ['shelter' => true, 'wind_ms' => 30, 'rain' => true] + $fine)['verdict'])->toBe('good');
});

it('rejects by any one sign, and accepts by none that was not looked at', function () {
    $must = ['indicators-up', 'insertion-marks-both-sides', 'peel-visible-both-sides', 'label-matches', 'cooling-held'];
    $review = ['square-cut', 'trace-present'];
    $cut = [
        'melt-escape',
        'wire-exposed',
        'insertion-mark-moved',
        'misaligned',
        'moved-while-cooling',
        'interrupted',
        'trace-fail',
        'wet',
        'gap-over-limit',
        'not-scraped',
        'fused-twice',
    ];
    $good = array_fill_keys([...$must, ...$review], true) + array_fill_keys($cut, false);
    expect(calc('joint-verdict', ['signs' => $good])['joint_class'])->toBe('accept');
    foreach ($good as $sign => $value) {
        $other = calc('joint-verdict', ['signs' => [$sign => ! $value] + $good]);
        expect($other['joint_class'])->toBe(in_array($sign, $review, true) ? 'review' : 'cut-out', $sign);
        $unseen = calc('joint-verdict', ['signs' => [$sign => null] + $good]);
        expect($unseen['joint_class'])->toBe('review')->and($unseen['open_items'])->toBe([$sign])->and($unseen['verdict'])->toBe('open');
        expect(calc('joint-verdict', ['signs' => array_diff_key($good, [$sign => 1])])['verdict'])->toBe('open');
    }
    expect(refused('joint-verdict', ['signs' => ['looks-nice' => true] + $good]))->toBe('signs');
});

it('pulls by restraints only when all are there, good and cool', function () {
    $ring = fn (array $but = []): array => array_map(
        fn (string $n) => ['number' => $n, 'end' => $n[0], 'verdict' => 'good', 'free_from' => '2026-05-04T09:30:00Z', ...$but[$n] ?? []],
        ['a1', 'a2', 'a3', 'b1', 'b2', 'b3'],
    );
    $ready = fn (array $restraints, ?string $at = '2026-05-04T09:30:00Z') => calc(
        'restraints-ready',
        ['restraints' => $restraints, 'per_end' => 3] + ($at ? ['pulled_at' => $at] : []),
    )['verdict'];
    expect($ready($ring()))
        ->toBe('good')
        ->and($ready($ring(), '2026-05-04T09:29:59Z'))
        ->toBe('bad')
        ->and($ready(array_reverse($ring())))
        ->toBe('good');
    expect($ready($ring(['b2' => ['free_from' => '2026-05-04T09:45:00Z']])))
        ->toBe('bad')
        ->and($ready($ring(['a3' => ['verdict' => 'bad']])))
        ->not->toBe('good')
        ->and($ready(array_slice($ring(), 1)))
        ->not->toBe('good')
        ->and($ready([]))
        ->not->toBe('good');
});

it('lets a card pass only for what stands on it', function () {
    $card = [
        'used_at' => '2026-05-04T08:00:00+02:00',
        'valid_until' => '2026-05-04',
        'work' => 'electrofusion',
        'works' => 'Electrofusion, butt fusion',
        'dn_mm' => 225,
        'dn_min_mm' => 20,
        'dn_max_mm' => 315,
        'material' => 'PE100',
        'materials' => 'PE80, PE100',
        'time_zone' => 'Europe/Vienna',
    ];
    expect(calc('operator-card', $card)['verdict'])->toBe('good');
    foreach (
        [
            ['valid_until', '2026-05-03', 'expiry'],
            ['dn_mm', 355, 'size'],
            ['dn_mm', 16, 'size'],
            ['material', 'PVC-U', 'material'],
            ['material', 'PE10', 'material'],
            ['work', 'mechanical', 'work'],
        ] as [$key, $value, $fails]
    ) {
        expect(calc('operator-card', [$key => $value] + $card)['fails'])->toBe([$fails], "{$key} {$value}");
    }
    foreach (['valid_until', 'works', 'dn_max_mm', 'materials'] as $left) {
        expect(calc('operator-card', array_diff_key($card, [$left => 1]))['verdict'])->toBe('open', $left);
    }
});

it('holds a time that a box shows against the label from both sides', function () {
    $in = ['label_time_s' => 150, 'temp_c' => 3, 't_ref_c' => 23, 'k_max_pct_per_k' => 0.6];
    $window = calc('box-time-check', $in);
    // 20 K of at most 0.6 % each, a second for the rounding: 149 to 169 s.
    expect($window['t_least_s'])
        ->toEqualWithDelta(149, 1e-9)
        ->and($window['t_most_s'])
        ->toEqualWithDelta(169, 1e-9)
        ->and($window['verdict'])
        ->toBe('open');
    foreach ([148 => 'bad', 149 => 'good', 160 => 'good', 169 => 'good', 170 => 'bad'] as $shown => $verdict) {
        expect(calc('box-time-check', $in + ['shown_s' => $shown])['verdict'])->toBe($verdict);
    }
    $hot = calc('box-time-check', ['temp_c' => 43] + $in);
    expect($hot['t_least_s'])->toEqualWithDelta(131, 1e-9)->and($hot['t_most_s'])->toEqualWithDelta(151, 1e-9);
});

it('rates PE by the formula of ISO 4427-1, between the stated temperatures straight', function () {
    foreach (Data::json('pipe/pe-metric.json')['series'] as $sdr => $exponent) {
        $cold = calc('pe-pressure-rating', ['mrs_mpa' => 10, 'c_factor' => 1.25, 'sdr' => (float) $sdr]);
        expect($cold['pressure_bar'])
            ->toEqualWithDelta((20 * 10) / (1.25 * ((float) $sdr - 1)), 1e-9)
            ->and($cold['pfa_bar'])
            ->toEqual($cold['pressure_bar']);
    }
    foreach ([[20, 1.0], [25, 0.935], [30, 0.87], [32.5, 0.8375], [40, 0.74]] as [$t, $factor]) {
        expect(
            calc('pe-pressure-rating', ['mrs_mpa' => 10, 'c_factor' => 1.25, 'sdr' => 11, 'temp_c' => (float) $t])['f_t'],
        )->toEqualWithDelta($factor, 1e-9);
    }
});
