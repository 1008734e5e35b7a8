<?php

declare(strict_types=1);

require_once __DIR__.'/helpers.php';

/*
 * The laying plan against what does not share a line of code with it: a walk over every sequence of pipes on a line that is
 * integrated step by step, and the angles of the planned joints as a surveyor's points. The worked examples, with their sources,
 * stand in core/tests/examples/gasketed.jsonl.
 */

/** A line made up from a seed: straights and arcs, both ways, up and down. */
function madeUpLine(int $seed, float $length, float $sharpest = 120.0): array
{
    mt_srand($seed);
    $elements = [];
    for ($at = 0.0; $at < $length - 1e-9;) {
        $run = min($length - $at, (float) mt_rand(8, 60));
        $isArc = mt_rand(0, 2) > 0;
        $elements[] = ['type' => $isArc ? 'arc' : 'straight', 'length_m' => $run] + ($isArc ? [
            'radius_m' => $sharpest * mt_rand(10, 60) / 10, 'turn' => mt_rand(0, 1) === 0 ? 'left' : 'right',
        ] : []);
        $at += $run;
    }
    $profile = [['chainage_m' => 0, 'invert_m' => 50]];
    $level = 50.0;
    for ($at = 0.0; $at < $length - 1e-9;) {
        $run = $length - $at < 100 ? $length - $at : (float) mt_rand(40, 60);
        $at += $run;
        $level += $run * mt_rand(-30, 40) / 1000;
        $profile[] = ['chainage_m' => $at, 'invert_m' => $level] + ($at < $length - 1e-9 ? ['curve_length_m' => 30] : []);
    }

    return ['azimuth_deg' => mt_rand(0, 359), 'elements' => $elements, 'profile' => $profile];
}

/** The same line as points a step apart, walked one by one: east, north, level. */
function walkedLine(array $line, float $step): array
{
    $bearing = deg2rad($line['azimuth_deg']);
    [$east, $north] = [0.0, 0.0];
    $points = [];
    $at = 0.0;
    foreach ($line['elements'] as $element) {
        $turn = ($element['radius_m'] ?? null) === null ? 0.0 : ($element['turn'] === 'right' ? 1 : -1) / $element['radius_m'];
        for ($i = 0, $n = (int) round($element['length_m'] / $step); $i < $n; $i++) {
            $points[] = [$east, $north, walkedLevel($line['profile'], $at)];
            $middle = $bearing + $turn * $step / 2;
            [$east, $north] = [$east + $step * sin($middle), $north + $step * cos($middle)];
            $bearing += $turn * $step;
            $at += $step;
        }
    }
    $points[] = [$east, $north, walkedLevel($line['profile'], $at)];

    return $points;
}

function walkedLevel(array $profile, float $at): float
{
    foreach ($profile as $i => $row) {
        $half = ($row['curve_length_m'] ?? 0) / 2;
        if ($half > 0 && abs($at - $row['chainage_m']) < $half) {
            $grade = fn (int $k) => ($profile[$k]['invert_m'] - $profile[$k - 1]['invert_m'])
                / ($profile[$k]['chainage_m'] - $profile[$k - 1]['chainage_m']);
            $run = $at - $row['chainage_m'] + $half;

            return $row['invert_m'] - $grade($i) * $half + $grade($i) * $run + ($grade($i + 1) - $grade($i)) * $run ** 2 / 4 / $half;
        }
    }
    for ($i = 1; $i < count($profile) - 1 && $profile[$i]['chainage_m'] < $at; $i++);
    [$a, $b] = [$profile[$i - 1], $profile[$i]];

    return $a['invert_m'] + ($b['invert_m'] - $a['invert_m']) * ($at - $a['chainage_m']) / ($b['chainage_m'] - $a['chainage_m']);
}

/**
 * Every sequence of pipes, one after the other: the fewest pieces and, of those, the fewest cuts. Places are found on the walked
 * line, straight between two of its points.
 *
 * @return array{int, int}|null
 */
function fewestByTryingAll(array $points, array $lengths, float $most, float $least): ?array
{
    $end = $points[count($points) - 1];
    $distance = fn (array $a, array $b) => sqrt(($a[0] - $b[0]) ** 2 + ($a[1] - $b[1]) ** 2 + ($a[2] - $b[2]) ** 2);
    $angle = function (?array $a, array $b): float {
        if ($a === null) {
            return 0.0;
        }
        $dot = ($a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2])
            / sqrt(($a[0] ** 2 + $a[1] ** 2 + $a[2] ** 2) * ($b[0] ** 2 + $b[1] ** 2 + $b[2] ** 2));

        return rad2deg(acos(min(1.0, $dot)));
    };
    $best = null;
    $walk = function (array $here, int $index, ?array $last, int $laid, int $cuts, bool $mustEnd) use (
        &$walk, &$best, $points, $lengths, $most, $least, $end, $distance, $angle,
    ): void {
        if ($best !== null && $laid + 1 > $best[0]) {
            return;
        }
        $rest = $distance($here, $end);
        $to = [$end[0] - $here[0], $end[1] - $here[1], $end[2] - $here[2]];
        $whole = ! $mustEnd && array_filter($lengths, fn ($length) => abs($length - $rest) <= 0.02) !== [];
        if (($whole || ($rest >= $least && $rest < max($lengths))) && $angle($last, $to) <= $most) {
            $found = [$laid + 1, $cuts + ($whole ? 0 : 1)];
            $best = $best === null || $found < $best ? $found : $best;
        }
        if ($mustEnd) {
            return;
        }
        $half = $rest / 2 >= $least && $rest / 2 < max($lengths) ? [$rest / 2] : [];
        foreach ([...$lengths, ...$half] as $k => $length) {
            for ($i = $index + 1; $i < count($points) && $distance($here, $points[$i]) < $length; $i++);
            if ($i >= count($points)) {
                continue;
            }
            [$before, $after] = [$distance($here, $points[$i - 1]), $distance($here, $points[$i])];
            $share = ($length - $before) / ($after - $before);
            $next = array_map(fn ($a, $b) => $a + $share * ($b - $a), $points[$i - 1], $points[$i]);
            $way = [$next[0] - $here[0], $next[1] - $here[1], $next[2] - $here[2]];
            if ($angle($last, $way) <= $most) {
                $isHalf = $k >= count($lengths);
                $walk($next, $i - 1, $way, $laid + 1, $cuts + ($isHalf ? 1 : 0), $isHalf);
            }
        }
    };
    $walk($points[0], 0, null, 0, 0, false);

    return $best;
}

it('needs no more pieces and cuts than the best of all sequences, and finds a plan where there is one', function (int $seed) {
    mt_srand($seed);
    $lengths = [[6.0, 12.0], [5.5, 6.1], [3.0, 6.0], [4.0, 7.0]][$seed % 4];
    $line = madeUpLine($seed, mt_rand(25, 4 * (int) max($lengths) + 14), [60.0, 120.0, 250.0][$seed % 3]);
    // A hair of room, so that the two kinds of geometry do not split on a joint that is exactly at its limit.
    $most = mt_rand(100, 400) / 100;
    $plan = fn (float $limit) => calc('laying-plan', [
        'line' => $line, 'stock' => array_map(fn ($length) => ['length_m' => $length], $lengths),
        'max_joint_angle_deg' => $limit, 'working_share' => 1, 'min_piece_m' => 1,
    ]);
    $walked = walkedLine($line, 0.05);
    $tight = fewestByTryingAll($walked, $lengths, $most - 0.005, 1.0);
    $wide = fewestByTryingAll($walked, $lengths, $most + 0.005, 1.0);
    $found = $plan($most);
    expect($found['fewest_proved'])->toBeTrue();
    if ($tight === null) {
        expect($found['feasible'])->toBe($wide === null ? false : $found['feasible']);
    } else {
        expect($found['feasible'])->toBeTrue()
            ->and([$found['piece_count'], $found['cut_count']] <= $tight)->toBeTrue()
            ->and([$found['piece_count'], $found['cut_count']] >= $wide)->toBeTrue();
    }
})->with(range(1, 80));

it('lays no joint over its limit and no pipe out of tolerance, on 500 lines', function (int $hundred) {
    $feasible = 0;
    for ($seed = 1000 + 100 * $hundred; $seed < 1100 + 100 * $hundred; $seed++) {
        mt_srand($seed);
        $given = [
            'stock' => [['length_m' => 6], ['length_m' => 12, 'count' => mt_rand(0, 15)], ['length_m' => 5.5, 'count' => mt_rand(0, 9)]],
            'max_joint_angle_deg' => mt_rand(15, 50) / 10, 'working_share' => mt_rand(6, 10) / 10, 'min_piece_m' => 1,
            'barrel_tol_m' => 0.05, 'joint_allowance_m' => 0.005,
        ];
        $length = (float) mt_rand(60, 240);
        $line = madeUpLine($seed, $length);
        $plan = calc('laying-plan', $given + ['line' => $line]);
        if (! $plan['feasible']) {
            expect($plan['rows'])->toBe([])->and($plan['fail_reason'])->toBeIn(['angle', 'tolerance', 'closing']);

            continue;
        }
        $feasible++;
        $laid = calc('polyline-angles', [
            'points' => array_map(
                fn (array $place) => ['e_m' => $place['e_m'], 'n_m' => $place['n_m'], 'z_m' => $place['invert_m']],
                [$plan['rows'][0]['from'], ...array_column($plan['rows'], 'to')],
            ),
            'max_joint_angle_deg' => $given['max_joint_angle_deg'] * $given['working_share'] + 1e-5,
        ]);
        expect($laid['failed_points'])->toBe([], "line {$seed}")
            ->and($laid['max_angle_deg'])->toEqualWithDelta($plan['max_angle_deg'], 1e-6);
        $walked = walkedLine($line, 0.1);
        $off = 0.0;
        foreach ($plan['rows'] as $i => $row) {
            $covered = hypot(
                hypot($row['to']['e_m'] - $row['from']['e_m'], $row['to']['n_m'] - $row['from']['n_m']),
                $row['to']['invert_m'] - $row['from']['invert_m'],
            );
            $isLast = $i === count($plan['rows']) - 1;
            // Each joint lies on the line as it was walked, each pipe between two of them as long as it is.
            $there = $walked[(int) round($row['to_m'] / 0.1)];
            if (
                abs($covered - $row['length_m'] - 0.005) > ($isLast ? 0.0201 : 1e-6)
                || $row['off_line_m'] > 0.05 + 1e-9
                || hypot($there[0] - $row['to']['e_m'], $there[1] - $row['to']['n_m']) > 0.051
                || abs($there[2] - $row['to']['invert_m']) > 0.004
            ) {
                $off = max($off, 1.0, $i);
            }
        }
        expect($off)->toBe(0.0, "line {$seed}");
        foreach ([12 => $given['stock'][1]['count'], '5.5' => $given['stock'][2]['count']] as $stock => $count) {
            $used = array_filter($plan['rows'], fn (array $row) => ($row['cut_from_m'] ?? $row['length_m']) == $stock);
            expect(count($used))->toBeLessThanOrEqual($count);
        }
        expect(end($plan['rows'])['to_m'])->toEqualWithDelta($length, 1e-9);
    }
    expect($feasible)->toBeGreaterThan(25);
})->with([0, 1, 2, 3, 4]);

it('gives the mirrored line the same plan, and a longer share or more stock no more pieces', function (int $seed) {
    $line = madeUpLine($seed, 300);
    $given = [
        'stock' => [['length_m' => 6], ['length_m' => 12, 'count' => 8]], 'max_joint_angle_deg' => 2.5, 'working_share' => 0.8,
        'min_piece_m' => 1,
    ];
    $plan = calc('laying-plan', $given + ['line' => $line]);
    $turned = array_map(
        fn (array $element) => isset($element['turn'])
            ? ['turn' => $element['turn'] === 'left' ? 'right' : 'left'] + $element
            : $element,
        $line['elements'],
    );
    $mirrored = calc('laying-plan', $given + ['line' => ['elements' => $turned, 'azimuth_deg' => 360 - $line['azimuth_deg']] + $line]);
    // Of plans that are equally good either may come.
    expect([$mirrored['piece_count'], $mirrored['cut_count']])->toBe([$plan['piece_count'], $plan['cut_count']])
        ->and($mirrored['max_angle_deg'] ?? 0.0)->toEqualWithDelta($plan['max_angle_deg'] ?? 0.0, 1e-7);
    if ($plan['feasible']) {
        $share = calc('laying-plan', ['working_share' => 1] + $given + ['line' => $line]);
        $more = calc('laying-plan', ['stock' => [['length_m' => 6], ['length_m' => 12]]] + $given + ['line' => $line]);
        $straight = hypot(hypot(
            end($plan['rows'])['to']['e_m'] - $plan['rows'][0]['from']['e_m'],
            end($plan['rows'])['to']['n_m'] - $plan['rows'][0]['from']['n_m'],
        ), end($plan['rows'])['to']['invert_m'] - $plan['rows'][0]['from']['invert_m']);
        expect($share['piece_count'])->toBeLessThanOrEqual($plan['piece_count'])
            ->and($more['piece_count'])->toBeLessThanOrEqual($plan['piece_count'])
            ->and(array_sum($plan['pieces']))->toBeGreaterThanOrEqual($straight - 0.02 - 1e-9);
    }
})->with(range(1, 25));

it('meets a fitting only at an angle that its joint can take', function () {
    $given = [
        'line' => ['elements' => [['type' => 'straight', 'length_m' => 60]]], 'stock' => [['length_m' => 6]],
        'max_joint_angle_deg' => 3, 'working_share' => 1, 'min_piece_m' => 1,
    ];
    $straight = calc('laying-plan', $given + ['start_direction' => ['azimuth_deg' => 358], 'end_direction' => ['azimuth_deg' => 2.5]]);
    expect($straight['feasible'])->toBeTrue()
        ->and($straight['joint_count'])->toBe(11)
        ->and($straight['max_angle_deg'])->toEqualWithDelta(2.5, 1e-9)
        ->and($straight['rows'][0]['turn_hour'])->toEqualWithDelta(3.0, 1e-9);
    $sharp = calc('laying-plan', $given + ['end_direction' => ['azimuth_deg' => 4]]);
    expect($sharp['fail_reason'])->toBe('angle')->and($sharp['fail_station_m'])->toEqualWithDelta(60.0, 1e-9);
});

it('says at which joint it cannot go on, how long a pipe may be there and how wide the curve must be', function () {
    $plan = calc('laying-plan', [
        'line' => ['elements' => [
            ['type' => 'straight', 'length_m' => 24], ['type' => 'arc', 'length_m' => 60, 'radius_m' => 200, 'turn' => 'left'],
        ]],
        'stock' => [['length_m' => 12]], 'max_joint_angle_deg' => 2, 'working_share' => 1, 'min_piece_m' => 1,
    ]);
    // 12 m enter the arc by half the angle, asin(6/200) = 1.719°; the next joint would turn by 3.438°.
    expect($plan['fail_reason'])->toBe('angle')
        ->and($plan['fail_station_m'])->toEqualWithDelta(36.0018, 1e-3)
        ->and($plan['longest_pipe_m'])->toEqualWithDelta(2 * 200 * sin(deg2rad(1)), 1e-9)
        ->and($plan['needed_radius_m'])->toEqualWithDelta(6 / sin(deg2rad(1)), 1e-9);
    $shorter = calc('laying-plan', [
        'line' => ['elements' => [
            ['type' => 'straight', 'length_m' => 24], ['type' => 'arc', 'length_m' => 60, 'radius_m' => 200, 'turn' => 'left'],
        ]],
        'stock' => [['length_m' => 12], ['length_m' => 6]], 'max_joint_angle_deg' => 2, 'working_share' => 1, 'min_piece_m' => 1,
    ]);
    expect($shorter['feasible'])->toBeTrue();
});

it('refuses what nobody waits for', function () {
    $asked = [
        'line' => ['elements' => [['type' => 'straight', 'length_m' => 100000]]], 'max_joint_angle_deg' => 3, 'working_share' => 1,
        'min_piece_m' => 0.5,
    ];
    expect(fn () => calc('laying-plan', $asked + ['stock' => [['length_m' => 0.5], ['length_m' => 6]]]))
        ->toThrow(Diastoma\Core\Refused::class, 'more than 20000 pipes')
        ->and(calc('laying-plan', $asked + ['stock' => [['length_m' => 12]]])['piece_count'])->toBe(8334);
});

it('refuses a line that is none', function (array $line, string $says) {
    expect(fn () => calc('laying-plan', [
        'line' => $line, 'stock' => [['length_m' => 6]], 'max_joint_angle_deg' => 3, 'working_share' => 1, 'min_piece_m' => 1,
    ]))->toThrow(Diastoma\Core\Refused::class, $says);
})->with([
    'nothing' => [[], 'points, or elements'],
    'both' => [['points' => [], 'elements' => []], 'one of the two'],
    'one point' => [['points' => [['e_m' => 0, 'n_m' => 0, 'z_m' => 0]]], 'at least 2'],
    'a point above the other' => [
        ['points' => [['e_m' => 0, 'n_m' => 0, 'z_m' => 0], ['e_m' => 0, 'n_m' => 0, 'z_m' => 3]]], 'the same place in plan',
    ],
    'no element' => [['elements' => []], 'empty'],
    'an arc without a radius' => [['elements' => [['type' => 'arc', 'length_m' => 10, 'turn' => 'left']]], 'radius_m is missing'],
    'an arc to nowhere' => [['elements' => [['type' => 'arc', 'length_m' => 10, 'radius_m' => 50]]], 'turn is missing'],
    'a profile that is too short' => [
        ['elements' => [['type' => 'straight', 'length_m' => 50]], 'profile' => [
            ['chainage_m' => 0, 'invert_m' => 1], ['chainage_m' => 40, 'invert_m' => 2],
        ]],
        'does not cover',
    ],
    'a profile that goes back' => [
        ['elements' => [['type' => 'straight', 'length_m' => 50]], 'profile' => [
            ['chainage_m' => 0, 'invert_m' => 1], ['chainage_m' => 0, 'invert_m' => 2],
        ]],
        'must rise',
    ],
    'curves that overlap' => [
        ['elements' => [['type' => 'straight', 'length_m' => 50]], 'profile' => [
            ['chainage_m' => 0, 'invert_m' => 1], ['chainage_m' => 20, 'invert_m' => 2, 'curve_length_m' => 20],
            ['chainage_m' => 35, 'invert_m' => 2, 'curve_length_m' => 20], ['chainage_m' => 50, 'invert_m' => 2],
        ]],
        'overlaps',
    ],
]);

it('says so when only the likelier ways were looked at', function () {
    $line = madeUpLine(5, 4000, 300.0);
    $plan = calc('laying-plan', [
        'line' => $line, 'stock' => [['length_m' => 6], ['length_m' => 12, 'count' => 100]], 'max_joint_angle_deg' => 3,
        'working_share' => 0.9, 'min_piece_m' => 1,
    ]);
    // No fewer than by the true length alone: 100 of 12 m, the rest of 6 m.
    expect($plan['feasible'])->toBeTrue()
        ->and($plan['piece_count'])->toBeLessThanOrEqual((int) ceil(100 + (4003 - 1200) / 6) + 1);
});

// Geometry: a chord of 12 m leaves its arc of 300 m radius by R - sqrt(R² - L²/4) = 60.006 mm, in plan alone; a parabola that turns a
// grade by 3.5 % in 60 m leaves a chord that covers 12 m of plan by 12²/8 x 0.035/60 = 10.5 mm, in level alone.
it('keeps to a tolerance of the line and to one of the level, each by itself', function () {
    $asked = ['stock' => [['length_m' => 12]], 'max_joint_angle_deg' => 3, 'working_share' => 1, 'min_piece_m' => 12];
    $arc = ['elements' => [['type' => 'arc', 'radius_m' => 300, 'turn' => 'right', 'length_m' => 120]]];
    $bow = 300 - sqrt(300 ** 2 - 6 ** 2);
    $plan = fn (array $line, array $tolerance) => calc('laying-plan', $asked + ['line' => $line, 'close_tol_m' => 0.1] + $tolerance);
    foreach ([[['side_tol_m' => $bow], null], [['side_tol_m' => $bow - 1e-5], 'tolerance'], [['level_tol_m' => 0], null]] as [$by, $why]) {
        expect($plan($arc, $by)['fail_reason'])->toBe($why);
    }
    $row = $plan($arc, [])['rows'][3];
    expect($row['off_side_m'])->toEqualWithDelta($bow, 1e-9)->and($row['off_level_m'])->toBe(0.0)
        ->and($row['off_line_m'])->toEqualWithDelta($bow, 1e-9);
    $sag = ['elements' => [['type' => 'straight', 'length_m' => 120]], 'profile' => [
        ['chainage_m' => 0, 'invert_m' => 100], ['chainage_m' => 60, 'invert_m' => 98.8, 'curve_length_m' => 60],
        ['chainage_m' => 120, 'invert_m' => 99.7],
    ]];
    foreach ([[['level_tol_m' => 0.0105], null], [['level_tol_m' => 0.0104], 'tolerance'], [['side_tol_m' => 0], null]] as [$by, $why]) {
        expect($plan($sag, $by)['fail_reason'])->toBe($why);
    }
    expect(max(array_column($plan($sag, [])['rows'], 'off_level_m')))->toEqualWithDelta(0.0105, 5e-6)
        ->and(max(array_column($plan($sag, [])['rows'], 'off_side_m')))->toBe(0.0);
});

// By hand: 2 % down, from 30 m on a parabola to 1.5 % up at 90 m: the level at 60 m is 99.0625 m, at 72 m 99.0745 m, at the end 99.7 m.
it('says by how much the line rises as it is laid, and how many pipes fall', function () {
    $line = ['elements' => [['type' => 'straight', 'length_m' => 120]], 'profile' => [
        ['chainage_m' => 0, 'invert_m' => 100], ['chainage_m' => 60, 'invert_m' => 98.8, 'curve_length_m' => 60],
        ['chainage_m' => 120, 'invert_m' => 99.7],
    ]];
    $asked = ['stock' => [['length_m' => 12]], 'max_joint_angle_deg' => 3, 'working_share' => 1, 'min_piece_m' => 1];
    $plan = calc('laying-plan', $asked + ['line' => $line]);
    expect($plan['rise_m'])->toEqualWithDelta(-0.3, 1e-9)->and($plan['falling_count'])->toBe(5);
    $level = calc('laying-plan', $asked + ['line' => ['elements' => [['type' => 'straight', 'length_m' => 120]]]]);
    expect($level['rise_m'])->toBe(0.0)->and($level['falling_count'])->toBe(0);
});
