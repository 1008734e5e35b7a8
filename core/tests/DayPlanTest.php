<?php

declare(strict_types=1);

require_once __DIR__.'/helpers.php';

/*
 * The day against a walk over every order of acts, which keeps its own book of who is free when. Facts of the trade: one clamp set
 * less than is needed costs a cooling time, and cooling is never shortened.
 */

/**
 * @param  int  $ahead  so many joints may stand prepared
 * @param  list<float>  $free  when each set of clamps comes free
 * @return float minutes until all is cold, the best of all orders
 */
function bestDayByTryingAll(
    array $joints, int $crews, int $clamps, int $boxes, float $move, array $pauses, int $ahead = 99, array $free = [],
): float {
    $open = function (float $from, float $for) use ($pauses): float {
        foreach ($pauses as [$begins, $ends]) {
            $from = $from < $ends && $from + $for > $begins ? max($from, $ends) : $from;
        }

        return $from;
    };
    $best = INF;
    $walk = function (int $prepared, int $fused, array $crew, array $clamp, array $box, array $ready, float $cold, array $last) use (
        &$walk, &$best, $joints, $move, $open, $ahead,
    ): void {
        if ($fused === count($joints)) {
            $best = min($best, $cold);

            return;
        }
        if ($prepared < count($joints) && count($ready) - $fused < $ahead) {
            // Whichever crew it is: all of them are tried, not only the one that is free first.
            foreach (array_keys($crew) as $who) {
                $from = $open($crew[$who], $joints[$prepared]['prepare_min']);
                if ($from < $last[0] - 1e-9) {
                    // Not in the order of the line.
                    continue;
                }
                $then = $crew;
                $then[$who] = $from + $joints[$prepared]['prepare_min'];
                $walk($prepared + 1, $fused, $then, $clamp, $box, [...$ready, $then[$who]], $cold, [$from, $last[1]]);
            }
        }
        if ($fused < $prepared) {
            $joint = $joints[$fused];
            $works = $joint['fit_min'] + $joint['fuse_min'];
            foreach (array_keys($crew) as $who) {
                foreach (array_keys($clamp) as $set) {
                    foreach (array_keys($box) as $b) {
                        $from = $open(max($crew[$who], $clamp[$set], $ready[$fused], $box[$b] - $joint['fit_min']), $works);
                        if ($from < $last[1] - 1e-9) {
                            continue;
                        }
                        [$c, $k, $x] = [$crew, $clamp, $box];
                        $c[$who] = $x[$b] = $from + $works;
                        $k[$set] = $from + $works + $joint['cool_min'] + $move;
                        $walk($prepared, $fused + 1, $c, $k, $x, $ready, max($cold, $k[$set] - $move), [$last[0], $from]);
                    }
                }
            }
        }
    };
    $none = fn (int $n) => array_fill(0, $n, 0.0);
    $walk(0, 0, $none($crews), array_pad($free, $clamps, 0.0), $none($boxes), [], 0.0, [0.0, 0.0]);

    return $best;
}

it('is over no later than the best of all orders', function (int $seed) {
    mt_srand($seed);
    $means = [mt_rand(1, 2), mt_rand(1, 2), 1];
    $joints = array_map(fn (int $i) => [
        'joint' => (string) $i, 'prepare_min' => mt_rand(5, 40), 'fit_min' => mt_rand(2, 15), 'fuse_min' => mt_rand(2, 20),
        'cool_min' => mt_rand(5, 90),
    ], range(1, $means[0] * $means[1] > 2 ? 3 : ($means[0] * $means[1] > 1 ? 4 : 5)));
    $pauses = mt_rand(0, 1) === 0 ? [] : [[60, 90]];
    $plan = calc('day-plan', [
        'joints' => $joints, 'crews' => $means[0], 'clamps' => $means[1], 'boxes' => $means[2], 'move_min' => 5, 'pauses' => $pauses,
    ]);
    expect($plan['exact'])->toBeTrue()
        ->and($plan['cold_min'])->toEqualWithDelta(bestDayByTryingAll($joints, ...[...$means, 5.0, $pauses]), 1e-6)
        ->and($plan['bound_min'])->toBeLessThanOrEqual($plan['cold_min'] + 1e-9);
})->with(range(1, 60));

it('is as soon as the best of all orders where clamps are still at work and few joints may stand prepared', function (int $seed) {
    mt_srand(900 + $seed);
    $joints = array_map(fn (int $i) => [
        'joint' => (string) $i, 'prepare_min' => mt_rand(5, 40), 'fit_min' => mt_rand(2, 15), 'fuse_min' => mt_rand(2, 20),
        'cool_min' => mt_rand(5, 90),
    ], range(1, 4));
    $ahead = mt_rand(1, 2);
    $free = [mt_rand(0, 400), mt_rand(0, 50)];
    $plan = calc('day-plan', [
        'joints' => $joints, 'clamps' => 2, 'move_min' => 5, 'ahead' => $ahead, 'clamps_free_min' => $free,
    ]);
    $best = bestDayByTryingAll($joints, 1, 2, 1, 5.0, [], $ahead, $free);
    expect($plan['exact'])->toBeTrue()
        ->and($plan['cold_min'])->toEqualWithDelta($best, 1e-6)
        ->and($plan['bound_min'])->toBeLessThanOrEqual($best + 1e-9);
})->with(range(1, 40));

/**
 * The same with a trench that machines open, and with what hangs on the line: every order, every machine, every crew.
 *
 * @return float minutes until all is cold
 */
function bestDayWithAttachedByTryingAll(array $joints, array $attached, int $crews, int $clamps, int $plant, array $pauses): float
{
    $open = function (float $from, float $for) use ($pauses): float {
        foreach ($pauses as [$begins, $ends]) {
            $from = $from < $ends && $from + $for > $begins ? max($from, $ends) : $from;
        }

        return $from;
    };
    // Machines first: nobody's hands are held by them. All ways to share the joints out.
    $ways = [[array_fill(0, $plant, 0.0), []]];
    foreach ($joints as $joint) {
        $next = [];
        foreach ($ways as [$free, $opened]) {
            foreach (array_keys($free) as $machine) {
                $then = $free;
                $from = $open($free[$machine], $joint['open_min']);
                $then[$machine] = $from + $joint['open_min'];
                $next[] = [$then, [...$opened, $then[$machine]]];
            }
        }
        $ways = $next;
    }
    $best = INF;
    foreach ($ways as [, $opened]) {
        $walk = function (array $ready, array $cold, int $hung, array $crew, array $clamp, float $box, float $end) use (
            &$walk, &$best, $joints, $attached, $open, $opened,
        ): void {
            if ($end >= $best) {
                return;
            }
            if (count($cold) === count($joints) && $hung === count($attached)) {
                $best = $end;

                return;
            }
            foreach (array_keys($crew) as $who) {
                if (count($ready) < count($joints)) {
                    $then = $crew;
                    $then[$who] = $open($crew[$who], $joints[count($ready)]['prepare_min']) + $joints[count($ready)]['prepare_min'];
                    $walk([...$ready, $then[$who]], $cold, $hung, $then, $clamp, $box, $end);
                }
                if (count($cold) < count($ready)) {
                    $i = count($cold);
                    $works = $joints[$i]['fit_min'] + $joints[$i]['fuse_min'];
                    foreach (array_keys($clamp) as $set) {
                        $from = $open(max($crew[$who], $clamp[$set], $ready[$i], $opened[$i], $box - $joints[$i]['fit_min']), $works);
                        [$c, $k] = [$crew, $clamp];
                        $c[$who] = $from + $works;
                        $k[$set] = $from + $works + $joints[$i]['cool_min'];
                        $walk($ready, [...$cold, $k[$set]], $hung, $c, $k, $c[$who], max($end, $k[$set]));
                    }
                }
                $one = $attached[$hung] ?? null;
                $host = $one === null ? null : array_search($one['host'], array_column($joints, 'joint'), true);
                if ($one !== null && ($host === false || isset($cold[$host]))) {
                    $before = $one['prepare_min'] + $one['fit_min'];
                    $needed = $one['fuse_min'] > 0 ? $box - $before : 0.0;
                    $from = $open(max($crew[$who], $host === false ? 0.0 : $cold[$host], $needed), $before + $one['fuse_min']);
                    $c = $crew;
                    $c[$who] = $from + $before + $one['fuse_min'];
                    $walk(
                        $ready, $cold, $hung + 1, $c, $clamp, $one['fuse_min'] > 0 ? $c[$who] : $box,
                        max($end, $c[$who] + $one['cool_min']),
                    );
                }
            }
        };
        $walk([], [], 0, array_fill(0, $crews, 0.0), array_fill(0, $clamps, 0.0), 0.0, 0.0);
    }

    return $best;
}

it('is as soon as the best of all orders where machines open the trench and saddles hang on the line', function (int $seed) {
    mt_srand(4000 + $seed);
    [$crews, $clamps, $plant] = [mt_rand(1, 2), mt_rand(1, 2), mt_rand(1, 2)];
    $opens = mt_rand(0, 60);
    $joints = array_map(fn (int $i) => [
        'joint' => (string) $i, 'prepare_min' => mt_rand(5, 40), 'fit_min' => mt_rand(2, 15), 'fuse_min' => mt_rand(2, 20),
        'cool_min' => mt_rand(5, 90), 'open_min' => $opens,
    ], range(1, $crews * $clamps > 2 ? 2 : 3));
    $attached = array_map(fn (int $i) => [
        'joint' => "{$i}S", 'host' => ['1', '2', ''][$i], 'prepare_min' => mt_rand(5, 30), 'fit_min' => mt_rand(0, 10),
        'fuse_min' => mt_rand(0, 1) * mt_rand(2, 10), 'cool_min' => mt_rand(0, 60),
    ], range(0, mt_rand(0, 1)));
    $pauses = mt_rand(0, 1) === 0 ? [] : [[70, 100]];
    $plan = calc('day-plan', [
        'joints' => $joints, 'attached' => $attached, 'crews' => $crews, 'clamps' => $clamps, 'plant' => $plant, 'pauses' => $pauses,
    ]);
    $best = bestDayWithAttachedByTryingAll($joints, $attached, $crews, $clamps, $plant, $pauses);
    expect($plan['exact'])->toBeTrue()
        ->and($plan['cold_min'])->toEqualWithDelta($best, 1e-6)
        ->and($plan['bound_min'])->toBeLessThanOrEqual($best + 1e-9);
})->with(range(1, 60));

it('says that the plant holds it up, and what one machine more or fewer brings', function () {
    $joints = array_map(fn (int $i) => [
        'joint' => (string) $i, 'prepare_min' => 10, 'fit_min' => 5, 'fuse_min' => 0, 'cool_min' => 0, 'open_min' => 30,
    ], range(1, 6));
    $means = ['joints' => $joints, 'clamps' => 0, 'boxes' => 0];
    $one = calc('day-plan', ['plant' => 1] + $means);
    // Six times 30 and the last joint after it; with two machines the last two lie open after 90, and are fitted one after the other.
    expect($one['cold_min'])->toEqualWithDelta(185, 1e-9)
        ->and($one['held_up_by'])->toBe(['plant'])
        ->and($one['plant_use_pct'])->toEqualWithDelta(100 * 180 / 185, 1e-9)
        ->and(array_column($one['one_more'], 'test_from_min', 'of')['plant'])->toEqualWithDelta(100, 1e-9)
        ->and(array_column($one['joints'], 'opened_min'))->toEqual([30.0, 60.0, 90.0, 120.0, 150.0, 180.0]);
    $two = calc('day-plan', ['plant' => 2] + $means);
    expect($two['cold_min'])->toEqualWithDelta(100, 1e-9)
        ->and(array_column($two['one_less'], 'test_from_min', 'of')['plant'])->toEqualWithDelta(185, 1e-9);
    // Rain stops machines as it stops hands.
    expect(calc('day-plan', ['plant' => 1, 'rain_min' => 60] + $means)['rain_costs_min'])->toEqualWithDelta(60, 1e-9)
        ->and(fn () => calc('day-plan', $means))->toThrow(Diastoma\Core\Refused::class, 'plant must be 1 or more, not 0');
});

it('sets saddles while the clamps are at work, and none on a joint that cools', function () {
    $joints = array_map(fn (int $i) => [
        'joint' => (string) $i, 'prepare_min' => 10, 'fit_min' => 5, 'fuse_min' => 5, 'cool_min' => 60,
    ], range(1, 3));
    $saddle = ['prepare_min' => 15, 'fit_min' => 5, 'fuse_min' => 2, 'cool_min' => 20];
    $plan = calc('day-plan', ['joints' => $joints, 'attached' => [['joint' => '1S', 'host' => '1'] + $saddle]]);
    // It costs nothing: three joints, one after the other in one set, take as long without it.
    expect($plan['cold_min'])->toEqualWithDelta(10 + 3 * 70, 1e-9)
        ->and($plan['attached'][0]['from_min'])->toBeGreaterThanOrEqual($plan['joints'][0]['cold_min']);
    // All joints are made, and saddles are left.
    $left = calc('day-plan', ['joints' => [], 'attached' => [['joint' => '1S'] + $saddle]]);
    expect($left['cold_min'])->toEqualWithDelta(42, 1e-9)->and($left['attached'][0]['fuse_from_min'])->toEqualWithDelta(20, 1e-9);
    // A misspelt joint is none on which nothing waits.
    expect(fn () => calc('day-plan', ['joints' => $joints, 'attached' => [['joint' => '1S', 'host' => '1 '] + $saddle]]))
        ->toThrow(Diastoma\Core\Refused::class, 'host "1 " is none of joints');
    expect(fn () => calc('day-plan', ['joints' => []]))->toThrow(Diastoma\Core\Refused::class, 'both empty')
        ->and(fn () => calc('day-plan', ['joints' => [], 'attached' => [['joint' => '1S'] + $saddle], 'boxes' => 0]))
        ->toThrow(Diastoma\Core\Refused::class, 'is fused: boxes must be 1 or more');
});

it('plans a long line with much that hangs on it within its bound', function () {
    $joints = array_map(fn (int $i) => [
        'joint' => (string) $i, 'prepare_min' => 15 + $i % 7, 'fit_min' => 8, 'fuse_min' => 6, 'cool_min' => 30, 'open_min' => 20,
    ], range(1, 120));
    $attached = array_map(fn (int $i) => [
        'joint' => "{$i}S", 'host' => (string) (4 * $i), 'prepare_min' => 20, 'fit_min' => 5, 'fuse_min' => 2, 'cool_min' => 20,
    ], range(1, 25));
    $plan = calc('day-plan', ['joints' => $joints, 'attached' => $attached, 'clamps' => 2, 'move_min' => 5, 'plant' => 1]);
    expect($plan['attached'])->toHaveCount(25)
        ->and($plan['bound_min'])->toBeLessThanOrEqual($plan['cold_min'] + 1e-9)
        ->and($plan['cold_min'])->toBeLessThanOrEqual(1.05 * $plan['bound_min']);
});

it('begins no test before what is made already may be tested, and says that this holds it up', function () {
    $joints = [['joint' => '1', 'prepare_min' => 10, 'fit_min' => 5, 'fuse_min' => 5, 'cool_min' => 10]];
    $made = calc('day-plan', ['joints' => $joints, 'not_before_min' => 300]);
    expect($made['test_from_min'])->toEqualWithDelta(300, 1e-9)->and($made['held_up_by'])->toBe(['made']);
    // Exactly then: it holds nothing up.
    expect(calc('day-plan', ['joints' => $joints, 'not_before_min' => 30])['held_up_by'])->not->toBe(['made']);
});

it('says what rain costs: no hand works while it lasts, what cools goes on cooling', function () {
    $joints = array_map(fn (int $i) => [
        'joint' => (string) $i, 'prepare_min' => 20, 'fit_min' => 10, 'fuse_min' => 10, 'cool_min' => 45,
    ], range(1, 3));
    expect(calc('day-plan', ['joints' => $joints, 'rain_min' => 60])['rain_costs_min'])->toEqualWithDelta(60, 1e-9)
        // The set is free after an hour only: of the rain the time to prepare is lost, and no more.
        ->and(calc('day-plan', ['joints' => $joints, 'rain_min' => 60, 'clamps_free_min' => [60]])['rain_costs_min'])
        ->toEqualWithDelta(20, 1e-9)
        // A pause that follows at once is one with it.
        ->and(calc('day-plan', ['joints' => $joints, 'rain_min' => 60, 'pauses' => [[60, 90]]])['rain_costs_min'])
        ->toBeGreaterThan(calc('day-plan', ['joints' => $joints, 'rain_min' => 30, 'pauses' => [[60, 90]]])['rain_costs_min']);
});

it('plans joints that need neither clamps nor box by hands alone', function () {
    $joints = array_map(fn (int $i) => [
        'joint' => (string) $i, 'prepare_min' => 12, 'fit_min' => 8, 'fuse_min' => 0, 'cool_min' => 0,
    ], range(1, 10));
    $plan = calc('day-plan', ['joints' => $joints, 'clamps' => 0, 'boxes' => 0, 'ahead' => 1]);
    expect($plan['cold_min'])->toEqualWithDelta(200, 1e-9)
        ->and($plan['held_up_by'])->toBe(['crew'])
        ->and($plan['clamps_use_pct'])->toBeNull()
        ->and(array_column($plan['one_more'], 'of'))->toBe(['crew'])
        ->and($plan['crew_use_pct'])->toEqualWithDelta(100, 1e-9);
    foreach ([['clamps' => 1, 'boxes' => 0, 'fuse_min' => 5], ['clamps' => 0, 'boxes' => 1, 'cool_min' => 5]] as $means) {
        $joint = array_diff_key($means, ['clamps' => 1, 'boxes' => 1]) + $joints[0];
        $in = ['joints' => [$joint]] + array_diff_key($means, ['fuse_min' => 1, 'cool_min' => 1]);
        expect(fn () => calc('day-plan', $in))->toThrow(Diastoma\Core\Refused::class, 'must be 1 or more, not 0');
    }
});

it('lets nobody do two things at once, shortens no cooling and works in no pause', function (int $seed) {
    mt_srand($seed);
    $joints = array_map(fn (int $i) => [
        'joint' => (string) $i, 'prepare_min' => mt_rand(5, 40), 'fit_min' => 5, 'fuse_min' => mt_rand(2, 20), 'cool_min' => mt_rand(5, 90),
    ], range(1, 12));
    $plan = calc('day-plan', ['joints' => $joints, 'clamps' => 2, 'move_min' => 5, 'pauses' => [[120, 150], [300, 330]]]);
    $hands = $held = [];
    foreach ($plan['joints'] as $i => $row) {
        $hands[] = [$row['prepare_from_min'], $row['ready_min']];
        $hands[] = [$row['fit_from_min'], $row['fused_min']];
        $held[] = [$row['fit_from_min'], $row['cold_min'] + 5];
        expect($row['cold_min'] - $row['fused_min'])->toEqualWithDelta($joints[$i]['cool_min'], 1e-9)
            ->and($row['waits_min'])->toBeGreaterThanOrEqual(-1e-9);
    }
    foreach ([[$hands, 1], [$held, 2]] as [$spans, $most]) {
        foreach ($spans as [$from]) {
            expect(count(array_filter($spans, fn (array $s) => $s[0] <= $from + 1e-9 && $s[1] > $from + 1e-6)))->toBeLessThanOrEqual($most);
        }
    }
    foreach ($hands as [$from, $to]) {
        expect($to <= 120 + 1e-9 || $from >= 150 - 1e-9)->toBeTrue()->and($to <= 300 + 1e-9 || $from >= 330 - 1e-9)->toBeTrue();
    }
})->with(range(1, 10));

it('is over no later with one more of anything, and says what holds it up', function () {
    $joints = array_map(fn (int $i) => [
        'joint' => (string) $i, 'prepare_min' => 20, 'fit_min' => 10, 'fuse_min' => 10, 'cool_min' => 45,
    ], range(21, 28));
    $one = calc('day-plan', ['joints' => $joints, 'move_min' => 5, 'test_wait_min' => 60]);
    // Eight times 65 min in one clamp set, seven moves, after the first was prepared; then an hour.
    expect($one['test_from_min'])->toEqualWithDelta(20 + 8 * 65 + 7 * 5 + 60, 1e-9)
        ->and($one['held_up_by'])->toBe(['clamps'])
        ->and($one['clamps_use_pct'])->toBeGreaterThan($one['crew_use_pct'])
        ->and($one['one_less'])->toBe([]);
    $two = calc('day-plan', ['joints' => $joints, 'move_min' => 5, 'test_wait_min' => 60, 'clamps' => 2]);
    expect(array_column($two['one_less'], 'test_from_min', 'of')['clamps'])->toEqualWithDelta($one['test_from_min'], 1e-9);
    foreach ($one['one_more'] as $more) {
        expect($more['test_from_min'])->toBeLessThanOrEqual($one['test_from_min']);
    }
});

it('says of a long day how near it is to the best there can be', function () {
    $joints = array_map(fn (int $i) => [
        'joint' => (string) $i, 'prepare_min' => 15 + $i % 7, 'fit_min' => 8, 'fuse_min' => 6 + $i % 3, 'cool_min' => 30 + 5 * ($i % 4),
    ], range(1, 40));
    $plan = calc('day-plan', ['joints' => $joints, 'clamps' => 2, 'move_min' => 5]);
    expect($plan['bound_min'])->toBeLessThanOrEqual($plan['cold_min'] + 1e-9)
        ->and($plan['cold_min'])->toBeLessThanOrEqual(1.1 * $plan['bound_min']);
});
