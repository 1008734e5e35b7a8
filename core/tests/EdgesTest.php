<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Calendar;
use Diastoma\Core\PressureTest\Section;
use Diastoma\Core\Procedure\Compile\Codes;
use Diastoma\Core\Procedure\Condition\AtLeast;
use Diastoma\Core\Procedure\Condition\AtMost;
use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Expression\Constant;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Facts;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\HarmonicFit;
use Diastoma\Core\Round\RoundCoverage;
use Diastoma\Core\Round\Spread;
use Diastoma\Core\Round\SymmetricThree;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Slip;
use Diastoma\Core\Units\Unit;

require_once __DIR__.'/helpers.php';

/* Edges of calculations that no worked example of the trade comes to. Each result can be had by hand. */

it('allows each closed metal-seated valve 0.0078 gal/h an inch of its size', function () {
    // AWWA C600, 5.2.1.5, from memory: a 12 inch valve 0.0936 gal/h, for two hours.
    $line = ['method' => 'sdp-148000', 'segments' => [['length_ft' => 1000, 'dn_in' => 12]], 'p_avg_psi' => 150, 'duration_h' => 2];
    $gallons = fn (array $more) => Registry::standard()->run('makeup-allowance', $more + $line)['allowance_gal'];
    $one = ['closed_metal_valves' => [['dn_in' => 12]]];
    $two = ['closed_metal_valves' => [['dn_in' => 12], ['dn_in' => 6]]];
    expect($gallons($one) - $gallons([]))
        ->toEqualWithDelta(2 * 0.0936, 1e-9)
        ->and($gallons($two) - $gallons([]))
        ->toEqualWithDelta(2 * (0.0936 + 0.0468), 1e-9);
});

it('reads the fall of a long hold right however many pairs of blocks there would be', function () {
    // A straight fall of 3 kPa/h over twelve hours: every pair of blocks has that slope.
    $series = array_map(fn (int $minute) => [60 * $minute, 1000 - 3 * $minute / 60], range(0, 720));
    $found = Registry::standard()->run('hold-slope', ['series' => $series, 'resolution_kpa' => 0.1]);
    expect($found['theil_sen_kpa_h'])
        ->toEqualWithDelta(-3, 1e-9)
        ->and($found['slope_kpa_h'])
        ->toEqualWithDelta(-3, 1e-9)
        ->and($found['curved'])
        ->toBeFalse();
});

it('says that one of four readings is wrong, and not which, where the noise is known and none is to spare', function () {
    // Mean and first harmonic take three; four readings in right angles leave one, which all four share alike.
    $round = fn (float $last) => [
        'readings' => array_map(
            fn (int $deg, float $mm) => ['theta_deg' => $deg, 'value' => $mm],
            [0, 90, 180, 270],
            [10, 10, 10, $last],
        ),
        'sigma' => 0.1,
    ];
    $wrong = Registry::standard()->run('round-outlier', $round(12));
    $right = Registry::standard()->run('round-outlier', $round(10.1));
    expect($wrong['verdict'])
        ->toBe('open')
        ->and($wrong['reasons'])
        ->toContain('one reading is wrong, not to be told which: take the round again')
        ->and($right['reasons'])
        ->not->toContain('one reading is wrong, not to be told which: take the round again');
});

it('takes out of the stores what has an id and a name, and nothing else', function (mixed $value) {
    $field = ['key' => 'tool', 'label' => 'Tool', 'type' => 'item', 'of' => 'tool'];
    $step = little([['id' => 'tool', 'kind' => 'check', 'title' => 'Tool', 'fields' => [$field]]])->step('tool');
    expect($step->normalise(['tool' => ['id' => 'a', 'name' => 'Plane 1']])['tool'])
        ->toBe(['id' => 'a', 'name' => 'Plane 1'])
        ->and(fn () => $step->normalise(['tool' => $value]))
        ->toThrow(Refused::class, 'Tool: choose one out of the stores.');
})->with([
    'a word' => ['Plane 1'],
    'no id' => [['name' => 'Plane 1']],
    'no name' => [['id' => 'a']],
    'a figure for its id' => [['id' => 7, 'name' => 'Plane 1']],
    'too much of it' => [['id' => 'a', 'name' => str_repeat('x', 9000)]],
]);

it('does not compare what is no number with a limit: neither less nor more, but unknown', function (mixed $found, mixed $limit) {
    $procedure = Procedure::shipped()['pvc-spigot-socket'];
    $known = new Known($procedure, new Facts([], $procedure), [], new DateTimeImmutable('2026-05-04T12:00:00Z'));
    expect((new AtMost(new Constant($found), new Constant($limit)))->holds($known))
        ->toBeNull()
        ->and((new AtLeast(new Constant($found), new Constant($limit)))->holds($known))
        ->toBeNull();
})->with([['wet', 3], [2, 'dry'], ['2', 3], [true, 3], [[2], 3], [null, 3], [2, null]]);

it('takes a part of a trace once, and another part or another trace besides', function () {
    $trace = Procedure::shipped()['ef-coupler-one-pass']->step('fusion')->kind;
    $standing = [['trace' => 'one', 'part' => 0]];
    expect($trace->refusesMore($standing, ['trace' => 'one', 'part' => 0]))
        ->toBe('has this part of the trace already')
        ->and($trace->refusesMore($standing, ['trace' => 'one', 'part' => 1]))
        ->toBeNull()
        ->and($trace->refusesMore($standing, ['trace' => 'two', 'part' => 0]))
        ->toBeNull();
});

it('keeps what was recorded at a step that this text does not have, the last of it standing', function () {
    $fact = fn (string $id, int $minute, ?string $supersedes = null) => new Fact(
        $id, 'gone', ['x' => $minute], new DateTimeImmutable("2026-05-04T10:0{$minute}:00Z"), 'J. Weir', 'joiner', $supersedes,
    );
    $facts = new Facts([$fact('a', 1), $fact('b', 2), $fact('c', 3, 'b')], Procedure::shipped()['pvc-spigot-socket']);
    expect($facts->at('gone')?->id)->toBe('c')->and($facts->firstAt('gone')?->format('H:i'))->toBe('10:01');
});

it('finds the eigenvalues of a symmetric matrix', function (array $matrix, float $smallest, float $largest) {
    [$small, $large] = SymmetricThree::extremes($matrix);
    expect($small)->toEqualWithDelta($smallest, 1e-12)->and($large)->toEqualWithDelta($largest, 1e-12);
})->with([
    // Analytic: second differences, 2 ± √2; a diagonal; one value three times; J + I.
    'second differences' => [[[2.0, -1.0, 0.0], [-1.0, 2.0, -1.0], [0.0, -1.0, 2.0]], 2 - M_SQRT2, 2 + M_SQRT2],
    'a diagonal' => [[[5.0, 0.0, 0.0], [0.0, -1.0, 0.0], [0.0, 0.0, 3.0]], -1.0, 5.0],
    'one value three times' => [[[4.0, 0.0, 0.0], [0.0, 4.0, 0.0], [0.0, 0.0, 4.0]], 4.0, 4.0],
    'one value twice' => [[[2.0, 1.0, 1.0], [1.0, 2.0, 1.0], [1.0, 1.0, 2.0]], 1.0, 4.0],
]);

it('knows even directions as well as they can be known, and bunched ones worse the closer they stand', function () {
    $at = fn (array $degrees) => HarmonicFit::of(array_map(deg2rad(...), $degrees), array_fill(0, count($degrees), 1.0), [2])->condition();
    // XᵀX of even directions is diag(n, n/2, n/2).
    expect($at([0.0, 45.0, 90.0, 135.0]))->toEqualWithDelta(M_SQRT2, 1e-9)
        ->and($at([0.0, 20.0, 40.0]))->toBeGreaterThan(5.0)
        ->and($at([0.0, 5.0, 10.0]))->toBeGreaterThan(50.0);
});

it('reads a moment in UTC the same whichever way its zone is written', function () {
    expect(Calendar::read('2026-05-04T08:00:00Z'))->toEqual(Calendar::read('2026-05-04T08:00:00+00:00'))
        ->and(Calendar::read('2026-05-04T10:00:00+02:00')->getTimestamp())->toBe(1777881600)
        ->and(Calendar::day('2026-05-04')->getTimestamp())->toBe(1777852800);
});

it('reckons an allowance by length, size and pressure, each to its power', function (string $method, array $more, float $litresAnHour) {
    // By hand: 0.14 L/h for a km, a metre of bore and a metre of head; 0.02 L/d for a km, a mm of bore and a bar.
    $of = calc('makeup-allowance', ['method' => $method, 'segments' => [['length_m' => 250, 'dn_mm' => 150]], 'duration_h' => 2] + $more);
    expect($of['rate_l_h'])->toEqualWithDelta($litresAnHour, 1e-6);
})->with([
    'head' => ['ldh-0.14', ['p_avg_mh2o' => 80], 0.14 * 0.25 * 0.15 * 80],
    'bar' => ['mm-km-bar-0.02', ['p_avg_bar' => 8], 0.02 * 150 * 0.25 * 8 / 24],
]);

it('names half the bore where a wall is thicker', function () {
    $pipe = ['length_m' => 100, 'id_mm' => 200, 'wall_mm' => 120];
    $in = ['p_start_kpa' => 1000, 'p_end_kpa' => 800, 'removed_l' => 5, 'segments' => [$pipe]];
    expect(fn () => calc('air-content', $in))->toThrow(Refused::class, 'half of id_mm (100 mm); it is 120');
});

it('takes a main phase that begins two hundredths or 20 kPa beside the letting out for its beginning, not more', function (
    float $first,
    ?string $why,
) {
    $in = [
        'stp_bar' => 15, 'relax_min' => 60, 'raise_min' => 8, 'hold_min' => 30, 'creep_min' => 60, 'p_creep_end_bar' => 12.3,
        'p_after_bar' => 10.5, 'removed_l' => 15, 'bulk_gpa' => 2.1,
        'segments' => [['length_m' => 500, 'id_mm' => 147.2, 'wall_mm' => 16.4, 'e_mod_mpa' => 900]],
        'readings' => array_map(fn (int $i) => [5 * $i, $first + $i], range(0, 6)),
    ];
    expect(calc('viscoelastic-test', $in)['why'] ?? null)->toBe($why);
})->with([
    // 2 % of 1050 kPa is 21 kPa.
    'on the share' => [1071.0, null],
    'over it' => [1071.1, 'p_after'],
    'under it' => [1029.0, null],
    'too low' => [1028.9, 'p_after'],
]);

it('takes a step back of an hour less one interval for the clock that is put back, and leaves it the slack of two', function (
    int $back,
    bool $isRefused,
) {
    $rows = ['time;pressure [kPa]'];
    $clock = strtotime('2026-10-25T02:50:00Z');
    for ($i = 0; $i < 8; $i++) {
        $rows[] = gmdate('Y-m-d H:i:s', $clock + 60 * $i - ($i > 4 ? $back + 60 : 0)).';1500';
    }
    $clean = expect(fn () => calc('log-clean', ['csv' => implode("\n", $rows)]));
    $isRefused ? $clean->toThrow(Refused::class, 'the clock steps back by') : $clean->not->toThrow(Refused::class);
})->with([
    'an hour less one interval' => [3540, false],
    'two intervals less' => [3421, false],
    'more than two less' => [3415, true],
    'two intervals more' => [3659, false],
    'more than two more' => [3665, true],
]);

it('tells by the others which reading is wrong only where enough of them are left over', function (int $readings, string $method) {
    $round = array_map(fn (int $i) => ['theta_deg' => 360 * $i / $readings, 'value' => 10 + sin($i)], range(0, $readings - 1));
    // One harmonic has three unknowns; a deleted residual wants one more besides the one that is judged.
    expect(calc('round-outlier', ['readings' => $round])['method'])->toBe($method);
})->with(['none left over' => [3, 'none'], 'one left over' => [4, 'none'], 'two left over' => [5, 'deleted']]);

it('finds the point that governs among those that state no most', function () {
    $points = [['elevation_m' => 0, 'p_max_kpa' => 1500], ['elevation_m' => 10, 'p_min_kpa' => 900]];
    $window = calc('test-gauge-window', ['points' => $points, 'gauge_elevation_m' => 0]);
    // Ten metres of water are 98.0665 kPa.
    expect($window['gauge_min_kpa'])->toEqualWithDelta(998.0665, 1e-6)
        ->and($window['governs_min'])->toBe(1)
        ->and($window['governs_max'])->toBe(0);
});

it('holds readings for bunched where no fit says how well they are spread', function () {
    expect(Spread::of([0.0, 180.0])->inflation)->toBeNull()
        ->and(Spread::of([0.0, 180.0])->isBunched(180.0))->toBeTrue()
        ->and(Spread::of([0.0, 90.0, 180.0, 270.0])->isBunched(135.0))->toBeFalse()
        ->and(Spread::of([0.0, 90.0, 180.0, 270.0])->isBunched(89.0))->toBeTrue()
        ->and(Spread::of([0.0, 5.0, 10.0, 180.0])->isBunched(360.0))->toBeTrue();
});

it('counts the empty arc between two readings, and round the whole pipe for one', function () {
    expect(RoundCoverage::largestGap([0.0, 90.0]))->toBe(270.0)
        ->and(RoundCoverage::largestGap([0.0, 180.0]))->toBe(180.0)
        ->and(RoundCoverage::largestGap([90.0]))->toBe(360.0)
        ->and(RoundCoverage::largestGap([90.0, 90.0]))->toBe(360.0)
        ->and(RoundCoverage::largestGap([]))->toBe(360.0);
});

it('says of a time what its limits say, each alone and none', function (array $limits, string $verdict) {
    $in = ['from' => '2026-05-04T08:00:00Z', 'to' => '2026-05-04T08:10:00Z'] + $limits;
    expect(calc('elapsed', $in)['verdict'])->toBe($verdict);
})->with([
    'no limit' => [[], 'open'],
    'at least, on it' => [['least_s' => 600], 'good'],
    'at least, short of it' => [['least_s' => 601], 'bad'],
    'at most, on it' => [['most_s' => 600], 'good'],
    'at most, over it' => [['most_s' => 599], 'bad'],
    'between' => [['least_s' => 500, 'most_s' => 700], 'good'],
]);

it('has no curve in a pressure that does not move', function () {
    $still = array_map(fn (int $i) => [60 * $i, 1500.0], range(0, 59));
    expect(calc('hold-slope', ['series' => $still, 'resolution_kpa' => 1]))->toMatchArray(['slope_kpa_h' => 0.0, 'curved' => false]);
});

it('warns on the last day of the warning, and not a day before', function (string $used, array $reasons) {
    $in = ['used_at' => $used, 'due_on' => '2026-06-30', 'warn_days' => 30];
    expect(calc('calibration-status', $in))->toMatchArray(['verdict' => 'good', 'reasons' => $reasons]);
})->with([['2026-05-31', ['due in 30 days']], ['2026-05-30', []]]);

it('says of a go and no-go interval whether it lies inside, outside or across, by one limit or two', function (
    array $limits,
    string $verdict,
) {
    $said = calc('guarded-verdict', ['value_lo' => 2.0, 'value_hi' => 3.0] + $limits);
    expect($said['verdict'])->toBe($verdict)->and($said['uncertain'])->toBeFalse()->and($said['probability'])->toBeNull();
})->with([
    'under the most' => [['limit_max' => 3.0], 'good'],
    'over the most' => [['limit_max' => 1.9], 'bad'],
    'across the most' => [['limit_max' => 2.5], 'close'],
    'from its edge on over the most' => [['limit_max' => 2.0], 'close'],
    'over the least' => [['limit_min' => 2.0], 'good'],
    'under the least' => [['limit_min' => 3.1], 'bad'],
    'across the least' => [['limit_min' => 2.5], 'close'],
    'between' => [['limit_min' => 1.0, 'limit_max' => 4.0], 'good'],
    'over both' => [['limit_min' => 0.5, 'limit_max' => 1.0], 'bad'],
    'under both' => [['limit_min' => 4.0, 'limit_max' => 5.0], 'bad'],
]);

it('gives no probability without an uncertainty, nor for one of nothing', function (array $u) {
    expect(calc('guarded-verdict', ['value' => 2.0, 'limit_max' => 3.0] + $u)['probability'])->toBeNull();
})->with([[[]], [['u_expanded' => 0]]]);

it('names the first of the three of a warm pipe that is missing', function (array $given, string $missing) {
    $in = ['circumference_mm' => 346.2, 'tape_kind' => 'plain'] + $given;
    expect(fn () => calc('circumference-od', $in))->toThrow(Refused::class, "{$missing} is missing");
})->with([
    [['reference_temp_c' => 23, 'expansion_per_k' => 0.00013], 'pipe_temp_c'],
    [['pipe_temp_c' => 35, 'expansion_per_k' => 0.00013], 'reference_temp_c'],
    [['pipe_temp_c' => 35, 'reference_temp_c' => 23], 'expansion_per_k'],
]);

it('takes a code that depends on the inputs for one of its kind, and no other', function () {
    expect(Codes::fits('bad:fusion', ['none', 'bad:*']))->toBeTrue()
        ->and(Codes::fits('none', ['none', 'bad:*']))->toBeTrue()
        ->and(Codes::fits('good:fusion', ['none', 'bad:*']))->toBeFalse()
        ->and(Codes::fits('bad', ['none', 'bad:*']))->toBeFalse()
        ->and(Codes::fits('none:x', ['none']))->toBeFalse();
});

it('writes what was computed as an object, with something in it or nothing', function () {
    $steps = [['id' => 'one', 'kind' => 'note', 'title' => 'One', 'fields' => [['key' => 'x', 'label' => 'X', 'type' => 'text']]]];
    expect(json_encode(littleJudged(little($steps), ['one' => ['x' => 'y']])->toArray()['steps'][0]['results']))->toBe('{}')
        ->and(judged('ef-coupler-one-pass', couplerFacts())->toArray()['steps'][1]['results'])->not->toBe([])->toBeArray();
});

it('refuses a row of a trace that is too short, too long or no list, and names it', function (mixed $row, string $said) {
    $value = ['trace' => TRACE, 'part' => 0, 'final' => true, 'samples' => [[0, 39.5, 24.0], $row]];
    expect(fn () => Procedure::shipped()['ef-coupler-one-pass']->step('fusion')->normalise($value))->toThrow(Refused::class, $said);
})->with([
    'too short' => [[1, 39.5], 'samples, row 2: wanted is ['],
    'too long' => [[1, 39.5, 24.0, 20.0, 1.0], 'samples, row 2: wanted is ['],
    'no list' => [['t' => 1, 'u' => 39.5, 'i' => 24.0], 'samples, row 2: wanted is ['],
    'no number' => [[1, 'x', 24.0], 'samples, row 2: '],
    'not later' => [[0, 39.5, 24.0], 'samples, row 2: the time must rise'],
]);

it('takes no end for good that is larger than the pipe behind it by more than it may be smaller', function (
    float $end,
    string $verdict,
    array $reasons,
) {
    $profile = [['x_mm' => 0, 'od_mm' => $end], ['x_mm' => 100, 'od_mm' => 110.0]];
    expect(calc('toe-in', ['profile' => $profile, 'limit_mm' => 1.0]))->toMatchArray(['verdict' => $verdict, 'reasons' => $reasons]);
})->with([[111.0, 'good', []], [111.1, 'open', ['end-larger']], [113.0, 'open', ['end-larger']], [109.0, 'good', []], [108.9, 'bad', []]]);

it('names how a figure goes wrong, and what leads back', function (?Unit $own, string $why, ?string $unit, float $typed, float $meant) {
    $found = array_filter(Slip::of($own), fn (Slip $s) => $s->why === $why && $s->unit === $unit
        && abs($s->offset + $s->factor * $typed - $meant) < 1e-3 * max(1, abs($meant)));
    expect($found)->not->toBe([]);
})->with([
    // By hand; an inch is 25.4 mm, 64 °F are 17.8 °C.
    'round the pipe' => [fn () => Unit::of(Quantity::Length, 'mm'), 'round', null, 346.2, 110.2],
    'inches' => [fn () => Unit::of(Quantity::Length, 'mm'), 'unit', 'in', 4.331, 110.0],
    'centimetres' => [fn () => Unit::of(Quantity::Length, 'mm'), 'unit', 'cm', 11.0, 110.0],
    'Fahrenheit' => [fn () => Unit::of(Quantity::Temperature, 'c'), 'unit', '°F', 64.0, 17.78],
    'minutes' => [fn () => Unit::of(Quantity::Time, 's'), 'unit', 'min', 4.0, 240.0],
    'bar' => [fn () => Unit::of(Quantity::Pressure, 'kpa'), 'unit', 'bar', 15.0, 1500.0],
    'the point' => [fn () => Unit::of(Quantity::Length, 'mm'), 'point', null, 3.0, 0.3],
    'the point of a plain number' => [fn () => null, 'point', null, 600.0, 60.0],
]);

it('never says that a figure was meant in the unit in which it is asked for', function () {
    foreach (['mm', 'in'] as $suffix) {
        $own = Unit::of(Quantity::Length, $suffix);
        expect(array_map(fn (Slip $s) => $s->unit, Slip::of($own)))->not->toContain($own->symbol);
    }
});

it('tells what is usual by what is known, and nothing while nothing is', function (?float $od, ?array $ends) {
    $usual = judged('ef-coupler-one-pass', [], ['od_mm' => $od])->steps['od@a']->usual['od_tape_mm'] ?? null;
    expect($usual === null ? null : [$usual['low'], $usual['high']])->toEqual($ends);
})->with([[110.0, [105.6, 114.4]], [null, null]]);

it('takes no word for the source of a trace that it does not know: a misspelt stand-in would pass for a device', function () {
    $fusion = Procedure::shipped()['ef-coupler-one-pass']->step('fusion');
    $of = fn (string $source) => ['trace' => TRACE, 'part' => 0, 'final' => true, 'source' => $source, 'samples' => [[0, 39.5, 24.0]]];
    foreach (['stand-in', 'file', 'device', 'by-hand'] as $source) {
        expect($fusion->normalise($of($source))['source'])->toBe($source);
    }
    expect(fn () => $fusion->normalise($of('stand in')))->toThrow(Refused::class, 'source must be one of stand-in, file, device, by-hand.');
});

it('takes a trace for played that a stand-in began and a file ended', function () {
    $fusion = Procedure::shipped()['ef-coupler-one-pass']->step('fusion');
    $part = fn (int $i, string $source) => new Fact(
        "p{$i}",
        'fusion',
        ['trace' => TRACE, 'part' => $i, 'final' => $i === 1, 'source' => $source, 'samples' => [[$i, 39.5, 24.0]]],
        new DateTimeImmutable(DAY),
    );
    $source = fn (string $first, string $last) => $fusion->kind->whole([$part(0, $first), $part(1, $last)])[0]->value['source'];
    expect($source('stand-in', 'file'))->toBe('stand-in')
        ->and($source('file', 'stand-in'))->toBe('stand-in')
        ->and($source('device', 'file'))->toBe('file');
});

it('takes a bulk modulus that was given, whatever it is, and never that of clean water instead', function () {
    expect(Section::of([], 10.0, 0.0)->bulk)->toBe(0.0);
});

it('refuses one shortfall below nothing among good ones', function () {
    $round = [['clock' => '12:00', 'value_mm' => 1.0], ['clock' => '4:00', 'value_mm' => -0.2], ['clock' => '8:00', 'value_mm' => 0.5]];
    Registry::standard()->run('cut-squareness', ['readings' => $round, 'od_mm' => 110]);
})->throws(Refused::class, 'a shortfall must not be negative');

it('asks for the end of an interval that is missing, by its own name', function (array $given, string $field) {
    try {
        Registry::standard()->run('guarded-verdict', ['limit_max' => 1] + $given);
        $named = null;
    } catch (Refused $refused) {
        $named = $refused->firstField();
    }
    expect($named)->toBe($field);
})->with([[['value_hi' => 0.5], 'value_lo'], [['value_lo' => 0.5], 'value_hi']]);

it('never calls a joint good by what a stand-in played, except for practice', function (bool $practice, string $verdict) {
    $example = Example::shipped()['ef-coupler-one-pass'];
    $line = ['practice' => $practice] + $example->line();
    $judged = Judge::judge($example->procedure, $example->facts(), $line, new DateTimeImmutable('2026-05-05T08:00:00+02:00'));
    expect($judged->steps['fusion']->verdict->value)->toBe($verdict);
})->with(['practice' => [true, 'good'], 'a real one' => [false, 'open']]);
