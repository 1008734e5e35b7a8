<?php

declare(strict_types=1);

use Diastoma\Core\Refused;

require_once __DIR__.'/helpers.php';

/*
 * Bends that are set into the corners of a line, against geometry that is worked out here: the axes of pipes and bend legs as one
 * line of points, whose angles must be those of the joints and of the bend.
 */

function length3(array $a, array $b): float
{
    return sqrt(($a[0] - $b[0]) ** 2 + ($a[1] - $b[1]) ** 2 + ($a[2] - $b[2]) ** 2);
}

/** By how much a line of points turns at the middle one, degrees. */
function turnAt(array $a, array $b, array $c): float
{
    $one = array_map(fn ($p, $q) => $q - $p, $a, $b);
    $two = array_map(fn ($p, $q) => $q - $p, $b, $c);
    $cross = [$one[1] * $two[2] - $one[2] * $two[1], $one[2] * $two[0] - $one[0] * $two[2], $one[0] * $two[1] - $one[1] * $two[0]];

    return rad2deg(atan2(length3($cross, [0, 0, 0]), $one[0] * $two[0] + $one[1] * $two[1] + $one[2] * $two[2]));
}

/** The place where the legs of a bend meet: over the middle of its joints, towards the corner of the line. */
function centreOfBend(array $from, array $to, array $corner, float $height): array
{
    $middle = array_map(fn ($a, $b) => ($a + $b) / 2, $from, $to);
    $way = array_map(fn ($a, $b) => $b - $a, $middle, $corner);
    $far = length3($way, [0, 0, 0]);

    return array_map(fn ($a, $b) => $a + $b * $height / $far, $middle, $way);
}

$cornered = fn (float $turn, float $grade, float $onwards, float $before = 60, float $after = 60): array => [
    [0.0, 0.0, 10.0],
    [0.0, $before, 10 + $grade * $before],
    [$after * sin(deg2rad($turn)), $before + $after * cos(deg2rad($turn)), 10 + $grade * $before + $onwards * $after],
];

$asked = fn (array $points, array $bends, array $but = []): array => $but + [
    'line' => ['points' => array_map(fn ($p) => ['e_m' => $p[0], 'n_m' => $p[1], 'z_m' => $p[2]], $points)],
    'stock' => [['length_m' => 6]], 'max_joint_angle_deg' => 4, 'working_share' => 1, 'min_piece_m' => 1, 'bends' => $bends,
];

it('sets a bend so that legs and pipes meet at the angles that it says', function (
    float $turn,
    float $bend,
    float $leg,
    float $grade,
    float $onwards,
) use ($cornered, $asked) {
    $points = $cornered($turn, $grade, $onwards);
    $plan = calc('laying-plan', $asked($points, [['at_m' => 60, 'bend_deg' => $bend, 'leg_m' => $leg]]));
    expect($plan['feasible'])->toBeTrue();
    $ends = fn (array $place) => [$place['e_m'], $place['n_m'], $place['invert_m']];
    $axis = [$ends($plan['rows'][0]['from'])];
    $said = [];
    foreach ($plan['rows'] as $row) {
        if ($row['bend'] !== null) {
            $said[count($axis) - 1] = $row['angle_deg'];
            $axis[] = centreOfBend($ends($row['from']), $ends($row['to']), $points[1], $leg * sin(deg2rad($bend / 2)));
            $said[count($axis) - 1] = $bend;
        } elseif ($row['angle_deg'] !== null) {
            $said[count($axis) - 1] = $row['angle_deg'];
        }
        $axis[] = $ends($row['to']);
    }
    foreach ($said as $i => $angle) {
        expect(turnAt($axis[$i - 1], $axis[$i], $axis[$i + 1]))->toEqualWithDelta($angle, 1e-6);
    }
    $at = array_search($bend, $said, true);
    expect(length3($axis[$at - 1], $axis[$at]))->toEqualWithDelta($leg, 1e-9)
        ->and(length3($axis[$at], $axis[$at + 1]))->toEqualWithDelta($leg, 1e-9)
        ->and($plan['joint_count'])->toBe($plan['piece_count'])
        ->and($plan['max_angle_deg'])->toEqualWithDelta(max(array_diff_key($said, [$at => 0])), 1e-6);
})->with([
    'level, exact' => [45.0, 45.0, 0.25, 0.0, 0.0],
    'the corner turns more' => [48.0, 45.0, 0.4, 0.01, -0.02],
    'the corner turns less' => [20.0, 22.5, 0.3, 0.005, 0.005],
    'to the left and up' => [-24.0, 22.5, 0.6, 0.0, 0.05],
    'a right angle on a slope' => [90.0, 90.0, 0.5, 0.1, 0.1],
]);

// By hand: 60 m less 0.25 m are nine pipes and 5.75 m; 56.5685 m less 0.25 m are nine and 2.3185 m.
it('closes on either side of a bend', function () use ($asked) {
    $points = [[0, 0, 10], [0, 60, 10], [40, 100, 10]];
    $plan = calc('laying-plan', $asked($points, [['at_m' => 60, 'bend_deg' => 45, 'leg_m' => 0.25]]));
    expect($plan['piece_count'])->toBe(20)->and($plan['cut_count'])->toBe(2)->and($plan['joint_count'])->toBe(20)
        ->and($plan['pieces'][9])->toEqualWithDelta(5.75, 1e-9)
        ->and($plan['closing_piece_m'])->toEqualWithDelta(hypot(40, 40) - 0.25 - 54, 1e-9)
        ->and(array_column(array_filter($plan['rows'], fn ($row) => $row['bend'] !== null), 'turn_hour'))->toBe([null]);
});

it('offers a bend, and what it says of it is what comes of it', function () use ($cornered, $asked) {
    $points = $cornered(24, 0.0, 0.0);
    $without = calc('laying-plan', $asked($points, []));
    $help = array_values(array_filter($without['helps'], fn ($help) => $help['kind'] === 'bend'))[0];
    $with = calc('laying-plan', $asked($points, [array_intersect_key($help, ['at_m' => 0, 'bend_deg' => 0, 'leg_m' => 0])]));
    expect($without['fail_reason'])->toBe('angle')->and($help['bend_deg'])->toBe(22.5)->and($help['enough'])->toBeTrue()
        ->and($with['piece_count'])->toBe($help['pieces'])->and($with['cut_count'])->toBe($help['cuts'])
        ->and($with['max_angle_deg'])->toEqualWithDelta(0.75, 1e-9)->and($help['max_angle_deg'])->toEqualWithDelta(0.75, 1e-9);
});

it('is the same way round from the other end', function () use ($cornered, $asked) {
    $points = $cornered(47, 0.01, 0.03, 61.3, 44.9);
    $there = calc('laying-plan', $asked($points, [['at_m' => 61.3, 'bend_deg' => 45, 'leg_m' => 0.35]]));
    $back = calc('laying-plan', $asked(array_reverse($points), [['at_m' => 44.9, 'bend_deg' => 45, 'leg_m' => 0.35]]));
    expect($back['piece_count'])->toBe($there['piece_count'])->and($back['cut_count'])->toBe($there['cut_count'])
        ->and($back['max_angle_deg'])->toEqualWithDelta($there['max_angle_deg'], 1e-6);
});

it('shares a stock that is counted between the parts, against the line where that alone comes out', function () use ($asked) {
    // Taken in the order of the line both pipes of 9 m would go to the 18 m before the bend, and none would close the 9 m after it.
    $points = [[0, 0, 0], [0, 18.2, 0], [9.2, 18.2, 0]];
    $plan = calc('laying-plan', $asked($points, [['at_m' => 18.2, 'bend_deg' => 90, 'leg_m' => 0.2]], [
        'stock' => [['length_m' => 9, 'count' => 2], ['length_m' => 6, 'count' => 3]], 'min_piece_m' => 6,
    ]));
    expect($plan['feasible'])->toBeTrue()->and($plan['pieces'])->toBe([6.0, 6.0, 6.0, 9.0])->and($plan['fewest_proved'])->toBeFalse();
});

it('knows that no sharing of a counted stock does with fewer pipes where the length alone wants so many', function () use ($asked) {
    $points = [[0, 0, 10], [0, 60, 10], [40, 100, 10]];
    $bends = [['at_m' => 60, 'bend_deg' => 45, 'leg_m' => 0.25]];
    $plan = fn (array $stock) => calc('laying-plan', $asked($points, $bends, ['stock' => $stock]))['fewest_proved'];
    expect($plan([['length_m' => 6, 'count' => 20]]))->toBeTrue()
        // One of the pipes of 12 m lies before the bend or after it, and either way 19 pipes are wanted: the length alone would do with 10.
        ->and($plan([['length_m' => 6, 'count' => 20], ['length_m' => 12, 'count' => 1]]))->toBeFalse();
});

it('joins two bends without a pipe, and lays none where a bend ends the line', function () use ($asked) {
    $points = [[0, 0, 0], [0, 30.3, 0], [0.6, 30.3, 0], [0.6, 60.6, 0]];
    $bends = [['at_m' => 30.3, 'bend_deg' => 90, 'leg_m' => 0.3], ['at_m' => 30.9, 'bend_deg' => 90, 'leg_m' => 0.3]];
    $plan = calc('laying-plan', $asked($points, $bends));
    expect($plan['pieces'])->toBe(array_fill(0, 10, 6.0))->and($plan['joint_count'])->toBe(11)
        ->and(array_column($plan['rows'], 'pipe'))->toBe([1, 2, 3, 4, 5, null, null, 6, 7, 8, 9, 10]);
    $ended = calc('laying-plan', $asked([[0, 0, 0], [0, 30.3, 0], [0.3, 30.3, 0]], [$bends[0]]));
    expect($ended['pieces'])->toBe(array_fill(0, 5, 6.0))->and($ended['joint_count'])->toBe(5)->and($ended['closing_piece_m'])->toBeNull();
});

it('says by how much the joints of a bend turn too far', function () use ($cornered, $asked) {
    $plan = calc('laying-plan', $asked($cornered(31, 0, 0), [['at_m' => 60, 'bend_deg' => 22.5, 'leg_m' => 0.3]]));
    expect($plan['feasible'])->toBeFalse()->and($plan['fail_reason'])->toBe('angle');
    // Exactly on the limit it passes: two joints of 4° beside a bend of 22.5° in a corner of 30.5°.
    $just = calc('laying-plan', $asked($cornered(30.5, 0, 0), [['at_m' => 60, 'bend_deg' => 22.5, 'leg_m' => 0.3]]));
    expect($just['feasible'])->toBeTrue()->and($just['max_angle_deg'])->toEqualWithDelta(4, 1e-6);
});

it('refuses a bend that has no corner, no room, or lies in another one', function (array $bends, string $why) use ($asked) {
    $points = [[0, 0, 0], [0, 60, 0], [0.5, 60, 0], [0.5, 120, 0]];
    expect(fn () => calc('laying-plan', $asked($points, $bends)))->toThrow(Refused::class, $why);
})->with([
    [[['at_m' => 30, 'bend_deg' => 45, 'leg_m' => 0.2]],
        'The bend of 45° at 30.00 m has no corner of the line: it turns by 0.00° there.'],
    [[['at_m' => 60, 'bend_deg' => 90, 'leg_m' => 0.6]],
        'The bend of 90° at 60.00 m would have its joints 0.60 m from its corner; the line runs straight for 60.00 m before and '
            .'0.50 m after it.'],
    [[['at_m' => 60, 'bend_deg' => 90, 'leg_m' => 0.3], ['at_m' => 60.5, 'bend_deg' => 90, 'leg_m' => 0.3]],
        'The bend of 90° at 60.50 m would begin at 60.20 m; what is laid, or the bend before it, ends at 60.30 m.'],
]);
