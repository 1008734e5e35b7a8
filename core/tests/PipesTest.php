<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Pipe\PipeNumber;
use Diastoma\Core\Pipe\PipeSize;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

it('compares the numbers of pipes as people read them', function (string $typed, string $plain) {
    expect(PipeNumber::plain($typed))->toBe($plain);
})->with([['007', '7'], [' 7 ', '7'], ['0', '0'], ['000', '0'], ['b  7', 'B 7'], ['7p', '7P'], ['07P', '07P'], ['-7', '-7'], ['', '']]);

it('knows what a pipe is from how it is ordered', function (array $ordered, array $wanted) {
    $size = (new PipeSize(Registry::standard()))->of($ordered, 'water');
    foreach ($wanted as $key => $value) {
        is_float($value) ? expect($size[$key])->toEqualWithDelta($value, 1e-9, $key) : expect($size[$key])->toBe($value, $key);
    }
})->with([
    // ISO 4427-2: dn 110 at SDR 11 and 17 has walls of 10.0 and 6.6 mm; dn 160 at SDR 17 has 9.5 mm.
    'metric' => [
        ['material' => 'PE100', 'nominal' => 110, 'sdr' => 11],
        ['od_mm' => 110.0, 'wall_mm' => 10.0, 'size' => '110', 'series' => 'metric', 'dn_mm' => 110.0],
    ],
    // No table has it: the diameter stands on the pipe. DN 600 is 23.622 in.
    'diameter as marked' => [
        ['material' => 'GRP', 'series' => 'dn-od', 'nominal' => 600, 'od_mm' => 617, 'wall_mm' => 12.4],
        ['od_mm' => 617.0, 'wall_mm' => 12.4, 'size' => 'DN 600', 'sdr' => 49.8, 'wall_as' => 'measured', 'nominal_in' => 23.622],
    ],
    // ASTM C76: 12 in inside with wall B, 12/12 + 1 = 2 in, is 16 in outside.
    'concrete by inch' => [
        ['material' => 'Concrete', 'series' => 'in-od', 'nominal' => 12, 'od_mm' => 406.4, 'wall_mm' => 50.8],
        ['od_mm' => 406.4, 'sdr' => 8.0, 'size' => '12 in', 'nominal_in' => 12.0],
    ],
    'metric, thinner' => [['material' => 'PE100', 'dn_mm' => 160, 'sdr' => 17], ['wall_mm' => 9.5, 'sdr' => 17.0]],
    'another material' => [
        ['material' => 'PVC-U', 'nominal' => 110, 'sdr' => 26],
        ['od_mm' => 110.0, 'wall_mm' => 4.2, 'allowance_material' => 'pvc'],
    ],
    'by its wall' => [['material' => 'PVC-U', 'nominal' => 110, 'wall_mm' => 5.3], ['wall_mm' => 5.3, 'sdr' => 20.8]],
    // ASME B36.10M: 4.500 in; 4.5 / 11 = 0.409 in (ASTM F714) is 10.39 mm.
    'iron-pipe size' => [
        ['material' => 'PE100', 'series' => 'ips', 'nominal' => 4, 'sdr' => 11],
        ['od_mm' => 114.3, 'wall_mm' => 10.39, 'size' => '4 in IPS'],
    ],
    // ANSI/AWWA C151: 9.05 in; 9.05 / 17 = 0.532 in is 13.51 mm.
    'ductile-iron size' => [
        ['material' => 'PE100', 'series' => 'dips', 'nominal' => 8, 'sdr' => 17],
        ['od_mm' => 229.87, 'wall_mm' => 13.51, 'size' => '8 in DIPS'],
    ],
    // EN 545: DN 200 is 222 mm; class K9 is 9 (0.5 + 0.2) = 6.3 mm.
    'iron' => [
        ['material' => 'Ductile iron', 'series' => 'dn', 'nominal' => 200],
        ['od_mm' => 222.0, 'wall_mm' => 6.3, 'size' => 'DN 200', 'dn_mm' => 222.0, 'allowance_material' => 'iron', 'nominal' => 200.0],
    ],
    // Class K9 is at least 6 mm: DN 100 would have 5.4 mm.
    'iron, least wall' => [['material' => 'Ductile iron', 'series' => 'dn', 'nominal' => 100], ['od_mm' => 118.0, 'wall_mm' => 6.0]],
    // ANSI/AWWA C151: 12 in is 13.20 in, its thinnest class 350 has 0.28 in: 7.11 mm.
    'iron in inches' => [
        ['material' => 'Ductile iron', 'series' => 'dips', 'nominal' => 12],
        ['od_mm' => 335.28, 'wall_mm' => 7.11, 'size' => '12 in DIPS'],
    ],
    'iron by its wall' => [['material' => 'Ductile iron', 'series' => 'dn', 'nominal' => 200, 'wall_mm' => 7.5], ['wall_mm' => 7.5]],
    // From memory, AWWA C900: 8 in DR 18 has the outside diameter of iron, 9.05 in, and a wall of 0.503 in: 12.77 mm.
    'iron diameter in PVC' => [
        ['material' => 'PVC-U', 'series' => 'dips', 'nominal' => 8, 'sdr' => 18],
        ['od_mm' => 229.87, 'wall_mm' => 12.77, 'size' => '8 in DIPS'],
    ],
]);

it('takes a nominal size as the make-up methods do, not as an outside diameter', function (array $pipe, float $mm) {
    expect(PipeSize::nominalMm($pipe))->toEqualWithDelta($mm, 1e-9);
})->with([
    'metric' => [(new PipeSize(Registry::standard()))->of(['material' => 'PVC-U', 'nominal' => 160, 'sdr' => 21], 'water'), 160.0],
    'inch' => [
        (new PipeSize(Registry::standard()))->of(['material' => 'PVC-U', 'series' => 'dips', 'nominal' => 4, 'sdr' => 18], 'water'),
        101.6,
    ],
    'iron' => [
        (new PipeSize(Registry::standard()))->of(['material' => 'Ductile iron', 'series' => 'dn', 'nominal' => 200], 'water'),
        200.0,
    ],
    'as it was kept before' => [['series' => 'ips', 'size' => '4 in IPS', 'dn_mm' => 114.3], 101.6],
    'as it was kept at first' => [['dn_mm' => 110], 110.0],
]);

it('refuses a pipe that is none', function (array $ordered, string $field) {
    try {
        (new PipeSize(Registry::standard()))->of($ordered, 'water');
        $refused = 'nothing';
    } catch (Refused $fault) {
        $refused = $fault->firstField();
    }
    expect($refused)->toBe($field);
})->with([
    'no size' => [['material' => 'PE100', 'sdr' => 11], 'nominal'],
    'a size nobody makes' => [['material' => 'PE100', 'nominal' => 111, 'sdr' => 11], 'dn_mm'],
    'no wall' => [['material' => 'PVC-U', 'nominal' => 110], 'sdr'],
    'all wall' => [['material' => 'PVC-U', 'nominal' => 110, 'wall_mm' => 30], 'wall_mm'],
    'no such material' => [['material' => 'clay', 'nominal' => 110, 'sdr' => 11], 'material'],
    'nobody said its diameter' => [['material' => 'GRP', 'series' => 'dn-od', 'nominal' => 600, 'wall_mm' => 12], 'od_mm'],
    'nobody said its wall' => [['material' => 'GRP', 'series' => 'dn-od', 'nominal' => 600, 'od_mm' => 617], 'wall_mm'],
    'its diameter in inch' => [
        ['material' => 'Concrete', 'series' => 'in-od', 'nominal' => 12, 'od_mm' => 16, 'wall_mm' => 2],
        'od_mm',
    ],
    'its diameter that of another size' => [
        ['material' => 'Corrugated PE', 'series' => 'dn-od', 'nominal' => 300, 'od_mm' => 710, 'wall_mm' => 28],
        'od_mm',
    ],
    'half of it wall' => [['material' => 'Concrete', 'series' => 'dn-od', 'nominal' => 300, 'od_mm' => 440, 'wall_mm' => 220], 'wall_mm'],
    'a metric concrete pipe' => [['material' => 'Concrete', 'nominal' => 300, 'sdr' => 8], 'series'],
    'no such series' => [['material' => 'PE100', 'series' => 'inch', 'nominal' => 4, 'sdr' => 11], 'series'],
    'iron by its diameter' => [['material' => 'Ductile iron', 'nominal' => 222], 'series'],
    'a plastic by the DN of iron' => [['material' => 'PVC-U', 'series' => 'dn', 'nominal' => 200, 'sdr' => 21], 'series'],
    'a DN that iron does not have' => [['material' => 'Ductile iron', 'series' => 'dn', 'nominal' => 225], 'nominal'],
    'iron of which no class is known' => [['material' => 'Ductile iron', 'series' => 'dips', 'nominal' => 3], 'wall_mm'],
    'an inch size nobody makes' => [['material' => 'PE100', 'series' => 'ips', 'nominal' => 5, 'sdr' => 11], 'nominal'],
]);

/** A scratch on both ends, and how deep it may be against the wall: in a step on each end, and in one for both. */
function scratched(array $line): array
{
    $rule = [
        'calc' => 'gouge-check',
        'in' => ['depth_mm' => '$fact.depth_mm', 'wall_mm' => '$line.wall_mm', 'limit_pct' => '$param.most_pct'],
        'say' => [['verdict' => 'bad', 'text' => 'Deep.', 'do' => 'Cut.'], ['verdict' => 'good', 'text' => 'Fine.']],
    ];
    $fields = [['key' => 'depth_mm', 'label' => 'Depth', 'quantity' => 'length']];
    $procedure = little([
        ['id' => 'end', 'kind' => 'number', 'title' => 'End {side}', 'each' => ['a', 'b'], 'fields' => $fields, 'judge' => [$rule]],
        ['id' => 'both', 'kind' => 'number', 'title' => 'Both', 'fields' => $fields, 'judge' => [$rule]],
    ], ['parameters' => ['most_pct' => ['value' => 10, 'label' => 'most', 'source' => 'this test', 'certainty' => 'project']]]);

    return littleJudged(
        $procedure,
        ['end@a' => ['depth_mm' => 0.8], 'end@b' => ['depth_mm' => 0.8], 'both' => ['depth_mm' => 0.8]],
        $line,
    )->steps;
}

it('judges each end by its own pipe, and the joint as a whole only where both are alike', function (array $line, array $wanted) {
    expect(array_map(fn ($s) => $s->verdict, scratched($line)))->toBe(array_combine(['end@a', 'end@b', 'both'], $wanted));
})->with([
    'alike' => [
        ['wall_mm' => 10, 'ends' => ['a' => ['wall_mm' => 10], 'b' => ['wall_mm' => 10]]],
        [Verdict::Good, Verdict::Good, Verdict::Good],
    ],
    'no ends known' => [['wall_mm' => 10], [Verdict::Good, Verdict::Good, Verdict::Good]],
    'different' => [['ends' => ['a' => ['wall_mm' => 10], 'b' => ['wall_mm' => 6.6]]], [Verdict::Good, Verdict::Bad, Verdict::Open]],
    'swapped' => [['ends' => ['a' => ['wall_mm' => 6.6], 'b' => ['wall_mm' => 10]]], [Verdict::Bad, Verdict::Good, Verdict::Open]],
    'one of them unknown' => [['ends' => ['a' => ['wall_mm' => 10], 'b' => []]], [Verdict::Good, Verdict::Open, Verdict::Open]],
    'nothing known' => [[], [Verdict::Open, Verdict::Open, Verdict::Open]],
]);

it('says in which the pipes differ where one figure is wanted', function () {
    expect(scratched(['ends' => ['a' => ['wall_mm' => 10], 'b' => ['wall_mm' => 6.6]]])['both']->reasons[0]->text->in(UnitSystem::Metric))
        ->toBe('Cannot be judged yet: one wall of the pipe for both ends (10 and 6.6) is not recorded.');
});

it('takes a coupling whose range holds both pipes, whichever end is which', function (
    array $sdr,
    float $least,
    float $most,
    Verdict $wanted,
) {
    $facts = ['label' => ['sdr_min' => $least, 'sdr_max' => $most] + couplerFacts()['label']] + couplerFacts();
    $ends = array_map(fn (float $one) => ['sdr' => $one, 'dn_mm' => 110, 'material' => 'PE100', 'od_mm' => 110, 'wall_mm' => 10], $sdr);
    $line =
        ['closing_piece' => false, 'ends' => $ends, 'sides' => ['a' => 'pipe 1', 'b' => 'pipe 2']] +
        ($sdr['a'] === $sdr['b'] ? ['sdr' => $sdr['a']] : ['sdr' => null]);
    expect(judged(Procedure::shipped()['ef-coupler-one-pass'], $facts, $line)->steps['label']->verdict)->toBe($wanted);
})->with([
    [['a' => 11.0, 'b' => 17.0], 11, 17, Verdict::Good],
    [['a' => 17.0, 'b' => 11.0], 11, 17, Verdict::Good],
    [['a' => 11.0, 'b' => 17.0], 11, 11, Verdict::Bad],
    [['a' => 17.0, 'b' => 11.0], 11, 11, Verdict::Bad],
    [['a' => 11.0, 'b' => 11.0], 11, 11, Verdict::Good],
    [['a' => 17.0, 'b' => 17.0], 11, 11, Verdict::Bad],
]);
