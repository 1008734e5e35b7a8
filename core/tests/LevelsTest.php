<?php

declare(strict_types=1);

use Diastoma\Core\Laying\Levels;

/* By hand: straight between known places, and known nowhere else. */

it('lies straight between the places at which it is known, and is unknown beyond them', function (float $at, ?float $level) {
    $known = new Levels([[0.0, 22.0], [10.0, 21.0], [30.0, 23.0]]);
    $level === null ? expect($known->at($at))->toBeNull() : expect($known->at($at))->toEqualWithDelta($level, 1e-12);
})->with([
    'before the first' => [-0.001, null],
    'at the first' => [0.0, 22.0],
    'between' => [2.5, 21.75],
    'at one in the middle' => [10.0, 21.0],
    'after it' => [25.0, 22.5],
    'at the last' => [30.0, 23.0],
    'after the last' => [30.001, null],
]);

it('knows one place where only one is known, and none where none is', function () {
    $one = new Levels([[5.0, 20.0]]);
    expect($one->at(5.0))->toBe(20.0)->and($one->at(5.1))->toBeNull()->and((new Levels([]))->at(0.0))->toBeNull();
});

it('says the same turned round', function () {
    $rows = [[0.0, 1.0], [3.0, 4.0], [7.0, 2.0]];
    $round = array_map(fn (array $row): array => [7.0 - $row[0], $row[1]], array_reverse($rows));
    foreach ([0.0, 1.1, 3.0, 6.9, 7.0] as $at) {
        expect((new Levels($rows))->at($at))->toEqualWithDelta((new Levels($round))->at(7.0 - $at), 1e-12);
    }
});
