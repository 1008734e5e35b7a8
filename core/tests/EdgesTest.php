<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Calendar;
use Diastoma\Core\Procedure\Condition\AtLeast;
use Diastoma\Core\Procedure\Condition\AtMost;
use Diastoma\Core\Procedure\Expression\Constant;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Facts;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\HarmonicFit;
use Diastoma\Core\Round\SymmetricThree;

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
