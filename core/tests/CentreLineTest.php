<?php

declare(strict_types=1);

use Diastoma\Core\Laying\CentreLine;
use Diastoma\Core\PressureTest\SectionPlan;

it('finds a place between its points, at them and beyond its ends', function (float $chainage, array $place) {
    // By hand: a right angle at 100 m; 25 m into the second leg of 50 m the level has fallen by half of 3 m.
    $line = new CentreLine([[0.0, 500.0, 800.0, 10.0], [100.0, 600.0, 800.0, 12.0], [150.0, 600.0, 850.0, 9.0]]);
    expect($line->at($chainage))->toEqualWithDelta($place, 1e-12)->and($line->levelAt($chainage))->toEqualWithDelta($place[2], 1e-12);
})->with([
    [0, [500, 800, 10]],
    [50, [550, 800, 11]],
    [100, [600, 800, 12]],
    [125, [600, 825, 10.5]],
    [150, [600, 850, 9]],
    [-1, [500, 800, 10]],
    [151, [600, 850, 9]],
]);

it('finds the same place as a walk along all its points', function () {
    $points = array_map(fn (int $i) => [1.7 * $i, 3.0 * $i, sin($i), cos($i / 3)], range(0, 200));
    $line = new CentreLine($points);
    foreach (range(0, 339) as $m) {
        $i = 1;
        while ($points[$i][0] < $m) {
            $i++;
        }
        [$a, $b] = [$points[$i - 1], $points[$i]];
        $share = ($m - $a[0]) / ($b[0] - $a[0]);
        expect($line->at((float) $m))->toEqualWithDelta(array_map(fn (int $k) => $a[$k] + $share * ($b[$k] - $a[$k]), [1, 2, 3]), 1e-9);
    }
});

it('cuts a profile out of the line with its ends between the points', function () {
    $line = [[0.0, 0.0, 0.0, 10.0], [100.0, 100.0, 0.0, 12.0], [150.0, 150.0, 0.0, 9.0]];
    expect(SectionPlan::profile($line, 50, 125))->toEqualWithDelta([[50, 11], [100, 12], [125, 10.5]], 1e-12);
});

it('finds the nearest place of the line to a point, and on which side it lies', function (array $point, array $found) {
    // By hand: east for 100 m, then north for 50 m.
    $line = new CentreLine([[20.0, 500.0, 800.0, 10.0], [120.0, 600.0, 800.0, 12.0], [170.0, 600.0, 850.0, 9.0]]);
    expect($line->nearest(...$point))->toEqualWithDelta($found, 1e-9);
})->with([
    'on it' => [[550.0, 800.0], [70.0, 0.0]],
    'south of the first leg: to the right' => [[550.0, 797.0], [70.0, 3.0]],
    'north of it: to the left' => [[550.0, 804.0], [70.0, -4.0]],
    'east of the second leg: to the right' => [[602.0, 825.0], [145.0, 2.0]],
    'before its beginning' => [[497.0, 804.0], [20.0, -5.0]],
    'beyond its end' => [[600.0, 853.0], [170.0, 3.0]],
    'outside the corner' => [[603.0, 796.0], [120.0, 5.0]],
]);

it('finds no place nearer than the nearest: against a search along the line', function () {
    $points = array_map(fn (int $i) => [10.0 * $i, 9.0 * $i, 12 * sin($i / 4), 5.0], range(0, 40));
    $line = new CentreLine($points);
    mt_srand(7);
    for ($n = 0; $n < 200; $n++) {
        [$east, $north] = [mt_rand(-50, 410), mt_rand(-60, 60)];
        $least = min(array_map(function (int $m) use ($line, $east, $north) {
            [$e, $n] = $line->at($m / 20);

            return hypot($e - $east, $n - $north);
        }, range(0, 8000)));
        [$at, $off] = $line->nearest((float) $east, (float) $north);
        [$e, $nn] = $line->at($at);
        expect(abs($off))->toEqualWithDelta(hypot($e - $east, $nn - $north), 1e-9)->and(abs($off))->toBeLessThanOrEqual($least + 1e-9);
    }
});
