<?php

declare(strict_types=1);

require_once __DIR__.'/helpers.php';

/* Cover along a line: by hand, against a walk in small steps, and what it says where something is not known. */

it('finds the least cover where ground or pipe bends, and the stretch that has too little', function () {
    // A hollow in the ground 2 m deep between 20 and 40 m, its bottom at 30; the pipe lies level, its crown 0.2 m above the invert.
    $in = [
        'ground' => [[0, 102], [20, 102], [30, 100.8], [40, 102], [60, 102]], 'pipe' => [[0, 100], [60, 100]],
        'od_mm' => 200, 'wall_mm' => 0,
    ];
    $at = calc('cover-along', ['least_cover_m' => 0.9, 'ground_u_m' => 0.05] + $in);
    expect($at['cover_m'])->toEqualWithDelta(0.6, 1e-9)->and($at['at_m'])->toEqualWithDelta(30, 1e-9)
        ->and($at['verdict'])->toBe('bad')->and($at['reasons'])->toBe(['short'])
        // 0.12 m a metre: 0.3 m short at the bottom, over 2.5 m to either side.
        ->and($at['short'])->toHaveCount(1)
        ->and($at['short'][0]['from_m'])->toEqualWithDelta(27.5, 1e-9)->and($at['short'][0]['to_m'])->toEqualWithDelta(32.5, 1e-9);
    // With its wall the crown lies lower by as much.
    $walled = calc('cover-along', ['wall_mm' => 10, 'least_cover_m' => 0.9, 'ground_u_m' => 0] + $in);
    expect($walled['cover_m'])->toEqualWithDelta(0.61, 1e-9);
});

it('is good by more than the uncertainty of the ground, close by less, and exactly on the limit by none', function (
    float $least, ?float $u, string $verdict, array $reasons,
) {
    $in = ['ground' => [[0, 101.2], [10, 101.2]], 'pipe' => [[0, 100], [10, 100]], 'od_mm' => 200];
    $at = calc('cover-along', ['least_cover_m' => $least, 'ground_u_m' => $u] + $in);
    expect($at['cover_m'])->toEqualWithDelta(1.0, 1e-9)->and($at['verdict'])->toBe($verdict)->and($at['reasons'])->toBe($reasons);
})->with([
    'by more' => [0.9, 0.05, 'good', []],
    'by the uncertainty' => [0.95, 0.05, 'good', []],
    'by less' => [0.96, 0.05, 'close', ['within-uncertainty']],
    'on the limit, known exactly' => [1.0, 0.0, 'good', []],
    'on the limit' => [1.0, 0.05, 'close', ['within-uncertainty']],
    'below by less' => [1.04, 0.05, 'bad', ['short']],
    'below by more' => [1.5, 0.05, 'bad', ['short']],
    'nobody says how well the ground is known' => [0.9, null, 'open', ['no-uncertainty']],
    'below, and nobody says how well' => [1.5, null, 'bad', ['no-uncertainty', 'short']],
]);

it('is open where nobody knows the ground or the limit, and bad all the same where it is short', function () {
    $in = ['pipe' => [[0, 100], [60, 100]], 'od_mm' => 200, 'ground_u_m' => 0.05];
    $some = calc('cover-along', ['ground' => [[10, 102], [50, 102]], 'least_cover_m' => 0.9] + $in);
    expect($some['verdict'])->toBe('open')->and($some['reasons'])->toBe(['ground-unknown'])
        ->and($some['unknown'])->toEqual([['from_m' => 0, 'to_m' => 10], ['from_m' => 50, 'to_m' => 60]]);
    expect(calc('cover-along', ['ground' => [[10, 100.5], [50, 102]], 'least_cover_m' => 0.9] + $in)['verdict'])->toBe('bad');
    $none = calc('cover-along', ['ground' => [[70, 102], [90, 102]], 'least_cover_m' => 0.9] + $in);
    expect($none['cover_m'])->toBeNull()->and($none['verdict'])->toBe('open')
        ->and($none['unknown'])->toEqual([['from_m' => 0, 'to_m' => 60]]);
    $free = calc('cover-along', ['ground' => [[0, 102], [60, 102]]] + $in);
    expect($free['verdict'])->toBe('open')->and($free['reasons'])->toBe(['no-limit'])->and($free['short'])->toBe([]);
    // A pipe above the ground is covered by less than nothing.
    expect(calc('cover-along', ['ground' => [[0, 100], [60, 102]], 'least_cover_m' => 0.0] + $in)['cover_m'])->toEqualWithDelta(-0.2, 1e-9);
});

it('agrees with a walk in steps of a centimetre, and turned round', function (int $seed) {
    mt_srand($seed);
    $profile = function (float $base) {
        $at = 0.0;
        $rows = [];
        for ($i = 0; $i < 8; $i++) {
            $rows[] = [$at, $base + mt_rand(0, 100) / 100];
            $at += mt_rand(100, 900) / 100;
        }

        return $rows;
    };
    [$ground, $pipe] = [$profile(101.5), $profile(100)];
    $level = function (array $rows, float $at): float {
        for ($i = 1; $at > $rows[$i][0]; $i++);

        return $rows[$i - 1][1] + ($rows[$i][1] - $rows[$i - 1][1]) * ($at - $rows[$i - 1][0]) / ($rows[$i][0] - $rows[$i - 1][0]);
    };
    $in = ['ground' => $ground, 'pipe' => $pipe, 'od_mm' => 315, 'wall_mm' => 12];
    $answer = calc('cover-along', ['least_cover_m' => 1.0, 'ground_u_m' => 0.02] + $in);
    [$least, $metres] = [INF, 0.0];
    for ($i = 0, $end = min(end($ground)[0], end($pipe)[0]); 0.01 * $i <= $end - 0.005; $i++) {
        $cover = $level($ground, 0.01 * $i + 0.005) - $level($pipe, 0.01 * $i + 0.005) - 0.303;
        $least = min($least, $cover);
        $metres += $cover < 1.0 ? 0.01 : 0.0;
    }
    $short = array_sum(array_map(fn (array $span): float => $span['to_m'] - $span['from_m'], $answer['short']));
    expect($answer['cover_m'])->toEqualWithDelta($least, 0.01)->and($short)->toEqualWithDelta($metres, 0.08);
    $turned = fn (array $rows): array => array_map(fn (array $row): array => [100 - $row[0], $row[1]], array_reverse($rows));
    $back = calc('cover-along', ['ground' => $turned($ground), 'pipe' => $turned($pipe)] + $in);
    expect($back['cover_m'])->toEqualWithDelta($answer['cover_m'], 1e-9)->and($back['at_m'])->toEqualWithDelta(100 - $answer['at_m'], 1e-9);
})->with(range(1, 40));

it('refuses what is no profile, by its row', function () {
    $in = ['pipe' => [[0, 100], [60, 100]], 'od_mm' => 200];
    expect(fn () => calc('cover-along', ['ground' => [[0, 102], [0, 103]]] + $in))->toThrow(Diastoma\Core\Refused::class, 'ground, row 2')
        ->and(fn () => calc('cover-along', ['ground' => [[0, 102]]] + $in))->toThrow(Diastoma\Core\Refused::class)
        ->and(fn () => calc('cover-along', ['ground' => [[0, 102], [9, 103]], 'wall_mm' => 100] + $in))
        ->toThrow(Diastoma\Core\Refused::class, 'less than half');
});
