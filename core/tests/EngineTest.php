<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Data;
use Diastoma\Core\PressureTest\SectionPlan;
use Diastoma\Core\PressureTest\Segment;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Simulation\FusionBox;
use Diastoma\Core\Simulation\PumpAndLogger;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

it('judges a healthy coupler good, by both schools', function (string $id, array $facts, array $clocks) {
    $judgement = judged($id, $facts);
    expect(leftOpen($judgement))->toBe([], texts($judgement))
        ->and($judgement->verdict)->toBe(Verdict::Good)
        ->and($judgement->clocks)->toBe($clocks)
        ->and($judgement->done)->toBe($judgement->total)->and($judgement->next)->toBeNull();
})->with([
    // Power off at 7:22:34; cooling 15 min, moved after 1 (1.5), covered after 2 (3), tested after 4 of them.
    [
        'ef-coupler-one-pass',
        fn () => couplerFacts(),
        [
            'clamps_off' => '2026-05-04T07:37:34Z',
            'handle_from' => '2026-05-04T07:37:34Z',
            'backfill_from' => '2026-05-04T07:52:34Z',
            'test_from' => '2026-05-04T08:22:34Z',
        ],
    ],
    [
        'ef-coupler-groove',
        fn () => couplerWipedFirst(),
        [
            'clamps_off' => '2026-05-04T07:37:34Z',
            'handle_from' => '2026-05-04T07:45:04Z',
            'backfill_from' => '2026-05-04T08:07:34Z',
            'test_from' => '2026-05-04T08:22:34Z',
        ],
    ],
]);

it('never says good while a step is missing', function () {
    foreach (array_keys(couplerFacts()) as $left) {
        $facts = couplerFacts();
        unset($facts[$left]);
        expect(judged('ef-coupler-one-pass', $facts)->verdict)->not->toBeIn([Verdict::Good, Verdict::Close]);
    }
});

it('says what is wrong and what to do, in the reader\'s units', function () {
    $facts = couplerFacts();
    $facts['ovality@b']['readings'] = [
        ['clock' => '12', 'value_mm' => 108.5],
        ['clock' => '1:30', 'value_mm' => 113.1],
        ['clock' => '3', 'value_mm' => 112.2],
        ['clock' => '4:30', 'value_mm' => 107.9],
    ];
    $judgement = judged('ef-coupler-one-pass', $facts);
    expect($judgement->verdict)
        ->toBe(Verdict::Open)
        ->and($judgement->next)
        ->toBe('reround@b')
        ->and(texts($judgement))
        ->toContain('over the 1.7 mm of this procedure', 'Fit the re-rounding clamp with its jaws at 2:00 and 8:00, wait')
        ->and(texts($judgement, UnitSystem::Us))
        ->toContain('over the 0.065 in of this procedure');
});

it('finds each fault that the stand-in box plays', function (string $fault, string $sentence) {
    expect(texts(judged('ef-coupler-one-pass', couplerFacts(4, $fault))))->toContain($sentence);
})->with([
    ['supply-sag', 'The voltage fell more than 1.5 % below its setting, 62 s into the fusion'],
    ['interruption', 'The supply failed 46 s into the fusion'],
    ['shorted-turns', 'Turns of the winding touched 77 s into the fusion'],
    ['wrong-fitting', 'The resistance is that of another fitting'],
    ['pulled-lead', 'a lead came off'],
]);

it('asks for every sign of the finished joint and takes none for granted', function (
    string $step,
    string $key,
    mixed $value,
    Verdict $wanted,
    string $sentence,
) {
    $facts = couplerFacts();
    $facts[$step][$key] = $value;
    $judgement = judged('ef-coupler-one-pass', $facts);
    expect($judgement->steps['look']->verdict)->toBe($wanted)->and(texts($judgement))->toContain($sentence);
})->with([
    ['look', 'marks_moved', true, Verdict::Bad, 'insertion mark moved'],
    ['cut-ends@b', 'square', false, Verdict::Open, 'square cut'],
    ['cooling', 'released_at', '2026-05-04T09:30:00+02:00', Verdict::Bad, 'cooling held'],
    ['label', 'time_s', 160, Verdict::Bad, 'label matches'],
]);

it('leaves a sign open whose own step is not recorded', function () {
    foreach (['gap', 'scrape@b', 'label', 'fusion', 'cooling', 'cut-ends@a'] as $left) {
        $facts = couplerFacts();
        unset($facts[$left]);
        expect(judged('ef-coupler-one-pass', $facts)->steps['look']->verdict)->not->toBe(Verdict::Good, $left);
    }
});

it('tells the box what to do before anything is fused, and nothing that is not known', function () {
    $facts = array_diff_key(couplerFacts(), ['fusion' => 1, 'cooling' => 1, 'look' => 1, 'accept' => 1]);
    // 150 s of the code, 0.3 % for each of the 9 K below 23 degC.
    expect(judged('ef-coupler-one-pass', $facts)->steps['fusion']->device)->toMatchArray([
        'u_v' => 39.5,
        't_s' => 154.0,
        'r_ohm' => 1.6,
        'temp_c' => 14,
    ]);
    unset($facts['conditions']);
    expect(judged('ef-coupler-one-pass', $facts)->steps['fusion']->device)->not->toHaveKeys(['t_s']);
});

it('guides before a step is recorded', function () {
    $facts = array_diff_key(couplerFacts(), ['mark@a' => 1, 'cooling' => 1, 'look' => 1, 'accept' => 1]);
    $judgement = judged('ef-coupler-one-pass', $facts)->toArray(UnitSystem::Metric, new DateTimeZone('Europe/Vienna'));
    $guide = array_column($judgement['steps'], 'guide', 'key');
    expect($guide['mark@a'])
        ->toBe(['Draw the mark 80 mm from the end, all round.'])
        ->and($guide['cooling'])
        ->toBe(['Write the times on the pipe: clamps off, moved, covered, pressure test.'])
        ->and(array_map(fn (string $at) => substr($at, 11, 5), array_column($judgement['clocks'], 'at', 'label')))
        ->toBe(['Clamps off' => '07:37', 'May be moved' => '07:37', 'May be covered' => '07:52', 'Pressure test not before' => '08:22']);
});

it('keeps a second fusion of one fitting from being good', function () {
    $procedure = Procedure::shipped()['ef-coupler-one-pass'];
    $values = couplerFacts();
    $facts = [];
    foreach ($values as $key => $value) {
        $facts[] = new Fact($key, $key, $procedure->step($key)->normalise($value), new DateTimeImmutable('2026-05-04T09:00:00Z'));
    }
    $again = [...$values['fusion'], 'trace' => '22222222-2222-4222-8222-222222222222'];
    $facts[] = new Fact('again', 'fusion', $procedure->step('fusion')->normalise($again), new DateTimeImmutable('2026-05-04T09:50:00Z'));
    $line = ['dn_mm' => 110, 'sdr' => 11, 'wall_mm' => 10.0, 'service' => 'water', 'time_zone' => 'UTC', 'sides' => []];
    $judgement = Judge::judge($procedure, $facts, $line, new DateTimeImmutable('2026-05-04T12:00:00Z'));
    expect($judgement->verdict)->toBe(Verdict::Bad)->and(texts($judgement))->toContain('fused twice');
});

it('puts a trace together from parts that came in any order, each once', function () {
    $procedure = Procedure::shipped()['ef-coupler-one-pass'];
    $samples = FusionBox::trace(39.5, 1.6, 154);
    $whole = judged($procedure, couplerFacts())->steps['fusion']->results['fusion-trace']['energy_j'];
    $parts = array_chunk($samples, 60);
    $facts = [];
    foreach (couplerFacts() as $key => $value) {
        if ($key !== 'fusion') {
            $facts[] = new Fact($key, $key, $procedure->step($key)->normalise($value), new DateTimeImmutable('2026-05-04T09:00:00Z'));
        }
    }
    foreach (array_reverse($parts, true) as $i => $part) {
        $value = [...couplerFacts()['fusion'], 'part' => $i, 'samples' => $part, 'final' => $i === count($parts) - 1];
        $facts[] = new Fact("p{$i}", 'fusion', $value, new DateTimeImmutable('2026-05-04T09:20:00Z'));
    }
    $line = ['dn_mm' => 110, 'sdr' => 11, 'wall_mm' => 10.0, 'service' => 'water', 'time_zone' => 'UTC', 'sides' => []];
    $now = new DateTimeImmutable('2026-05-04T12:00:00Z');
    expect(Judge::judge($procedure, $facts, $line, $now)->steps['fusion']->results['fusion-trace']['energy_j'])->toEqualWithDelta(
        $whole,
        1e-6,
    );
    array_splice($facts, -2, 1);
    expect(Judge::judge($procedure, $facts, $line, $now)->steps['fusion']->verdict)->toBe(Verdict::Open);
});

it('says of a fusion that still runs only what is bad already, and is completed by the file of the box', function (
    string $fault,
    Verdict $sofar,
    array $events,
) {
    $procedure = Procedure::shipped()['ef-coupler-one-pass'];
    $samples = FusionBox::trace(39.5, 1.6, 154, $fault);
    $facts = [];
    foreach (couplerFacts() as $key => $value) {
        if (! in_array($key, ['fusion', 'cool', 'look', 'accept'], true)) {
            $facts[] = new Fact($key, $key, $procedure->step($key)->normalise($value), new DateTimeImmutable('2026-05-04T09:00:00Z'));
        }
    }
    $piece = fn (int $part, array $rows, bool $final) => new Fact(
        "p{$part}",
        'fusion',
        [...couplerFacts()['fusion'], 'part' => $part, 'samples' => $rows, 'final' => $final],
        new DateTimeImmutable('2026-05-04T09:20:00Z'),
    );
    $line = ['dn_mm' => 110, 'sdr' => 11, 'wall_mm' => 10.0, 'service' => 'water', 'time_zone' => 'UTC', 'sides' => []];
    $now = new DateTimeImmutable('2026-05-04T09:21:00Z');
    $half = Judge::judge($procedure, [...$facts, $piece(0, array_slice($samples, 0, intdiv(count($samples) * 3, 4)), false)], $line, $now);
    expect($half->steps['fusion']->verdict)
        ->toBe($sofar, texts($half))
        ->and($half->next)
        ->toBe('fusion')
        ->and($half->steps['fusion']->status)
        ->toBe('running')
        ->and(array_column($half->steps['fusion']->results['fusion-trace']['events'], 'code'))
        ->toBe($events)
        ->and(texts($half))
        ->not->toContain('ended early')
        ->not->toContain('resistance of the fitting is not known');
    $whole = Judge::judge($procedure, [...$facts, $piece(0, array_slice($samples, 0, 30), false), $piece(1, $samples, true)], $line, $now);
    $alone = Judge::judge($procedure, [...$facts, $piece(0, $samples, true)], $line, $now);
    expect($whole->steps['fusion']->results)->toEqual($alone->steps['fusion']->results)->and($whole->steps['fusion']->status)->toBe('done');
})->with(['healthy so far' => ['none', Verdict::Open, []], 'the supply sags' => ['supply-sag', Verdict::Bad, ['under-voltage']]]);

it('judges by a school that is added at run time, as data alone', function () {
    $raw = Data::json('procedures/ef-coupler-one-pass.json');
    $raw['id'] = 'ef-coupler-strict-toe';
    $raw['title'] = 'Electrofusion coupler, strict toe';
    $own = ['value' => 0.2, 'label' => 'toe', 'source' => 'a utility\'s own rule', 'certainty' => 'project'];
    $raw['parameters']['toe_in_limit_mm'] = $own;
    $judgement = judged(Procedure::from($raw), couplerFacts());
    expect($judgement->steps['od@a']->verdict)->toBe(Verdict::Bad)->and(texts($judgement))->toContain('up to 0.2 mm')
        ->and($judgement->procedure->hash)->not->toBe(Procedure::shipped()['ef-coupler-one-pass']->hash);
});

it('names every fault of a procedure file with its path', function () {
    $raw = Data::json('procedures/pvc-spigot-socket.json');
    unset($raw['title'], $raw['parameters']['max_angle_deg']['source']);
    $raw['steps'][2]['kind'] = 'dance';
    $raw['steps'][3]['judge'][0]['calc'] = 'nonsense';
    try {
        Procedure::from($raw);
        $this->fail('must be refused');
    } catch (Refused $refused) {
        expect(array_column($refused->faults, 'field'))->toContain('title', 'parameters.max_angle_deg.source', 'steps[2].kind')
            ->and(implode(' ', array_column($refused->faults, 'message')))->toContain('"nonsense" is no calculation');
    }
});

it('refuses wrong entries with field, value and what is allowed, all at once', function () {
    $step = Procedure::shipped()['ef-coupler-one-pass']->step('conditions');
    try {
        $step->normalise([
            'air_c' => 140,
            'rh_pct' => 120,
            'pipe_c' => 'warm',
            'wind_ms' => 2,
            'shelter' => 'no',
            'rain' => false,
            'moon' => 1,
        ]);
        $this->fail('must be refused');
    } catch (Refused $refused) {
        expect(array_column($refused->faults, 'field'))->toBe(['air_c', 'rh_pct', 'pipe_c', 'fitting_c', 'shelter', 'moon'])
            ->and($refused->faults[0]['message'])->toBe('Air: 140 °C is outside -40 to 55 °C.');
    }
    $od = Procedure::shipped()['ef-coupler-one-pass']->step('od@a');
    $end = ['od_end_mm' => 104];
    expect(fn () => $od->normalise($end + ['od_tape_mm' => 4.5]))->toThrow(Refused::class, 'Did you mean 4.5 cm?')
        ->and($od->normalise($end + ['od_tape_in' => 4.5])['od_tape_mm'])->toEqualWithDelta(114.3, 1e-9)
        ->and($od->normalise($end + ['od_tape_mm' => '4 1/8 in'])['od_tape_mm'])->toEqualWithDelta(104.775, 1e-9);
});

it('judges a PVC joint by its own file and by no code of its own', function () {
    $values = [
        'pipes' => ['pipe_a' => '7', 'pipe_b' => '8'],
        'cut' => [
            'readings' => [
                ['clock' => '12', 'value_mm' => 0],
                ['clock' => '3', 'value_mm' => 0.5],
                ['clock' => '6', 'value_mm' => 1.2],
                ['clock' => '9', 'value_mm' => 0.6],
            ],
        ],
        'chamfer' => ['length_mm' => 14],
        'mark' => ['depth_mm' => 135, 'mark_mm' => 125],
        'clean' => ['clean' => true, 'belongs' => true, 'seated' => true, 'lubricated' => true],
        'push' => ['in_line' => true, 'closed' => true],
        'seen' => ['visible_mm' => 3],
        'gap' => [
            'readings' => [
                ['clock' => '12', 'value_mm' => 4],
                ['clock' => '3', 'value_mm' => 3.5],
                ['clock' => '6', 'value_mm' => 3],
                ['clock' => '9', 'value_mm' => 3.5],
            ],
        ],
        'accept' => ['signed' => true],
    ];
    $line = ['od_mm' => 160, 'wall_mm' => 7.7, 'dn_mm' => 160];
    expect(judged('pvc-spigot-socket', $values, $line)->verdict)->toBe(Verdict::Good);
    // An end from the factory wants neither cut nor chamfer; where nobody says which it is, both.
    $factory = ['pipes' => ['spigot' => 'factory'] + $values['pipes']] + array_diff_key($values, ['cut' => 1, 'chamfer' => 1]);
    $made = judged('pvc-spigot-socket', $factory, $line);
    expect([$made->verdict, $made->next])->toBe([Verdict::Good, null])->and($made->steps)->not->toHaveKeys(['cut', 'chamfer']);
    $unsaid = judged('pvc-spigot-socket', ['pipes' => $values['pipes']] + $factory, $line);
    expect([$unsaid->verdict, $unsaid->next])->toBe([Verdict::Open, 'cut']);
    $cut = judged('pvc-spigot-socket', ['pipes' => ['spigot' => 'cut'] + $values['pipes']] + $factory, $line);
    expect([$cut->verdict, $cut->next])->toBe([Verdict::Open, 'cut']);
    $values['mark']['mark_mm'] = 118;
    $off = judged('pvc-spigot-socket', $values, $line);
    expect($off->steps['mark']->verdict)
        ->toBe(Verdict::Bad)
        ->and(texts($off))
        ->toContain('The mark is at 118 mm; wanted is 125 mm, within 3 mm')
        ->and(texts($off, UnitSystem::Us))
        ->toContain('wanted is 4.921 in');
    $values['mark']['mark_mm'] = 122.5;
    expect(judged('pvc-spigot-socket', $values, $line)->steps['mark']->verdict)->toBe(Verdict::Close);
    $values['seen']['visible_mm'] = -4;
    $values['gap']['readings'][0]['value_mm'] = 12;
    $values['gap']['readings'][2]['value_mm'] = 1;
    $bad = judged('pvc-spigot-socket', $values, $line);
    expect($bad->verdict)->toBe(Verdict::Bad)->and(texts($bad))->toContain('The mark is hidden', 'Read all four again');
});

it('tells tight, leaking and air-filled sections apart', function (string $method, string $fault, Verdict $wanted, string $sentence) {
    $segment = ['length_m' => 300.0, 'id_mm' => 184.0, 'wall_mm' => 20.5, 'e_mod_gpa' => 0.9, 'nu' => 0.45, 'restraint' => 'anchored'];
    $pump = new PumpAndLogger(new Segment(300, 0.184, 0.0205, 0.9e9, 0.45, 'anchored'), 12, 1.2e6, 80 / 60000, $fault, 0.08);
    $run = $method === 'pe-viscoelastic' ? $pump->viscoelastic() : $pump->constantPressure(7200);
    $marks = $run['marks'];
    $values = [
        'instruments' => instruments(),
        'ready' => ['restrained' => true, 'valves' => true, 'zone' => true], 'fill' => ['water_c' => 12, 'vented' => true],
        'log' => ['trace' => TRACE, 'part' => 0, 'final' => true, 'samples' => $run['rows']],
        'phases' => $marks, 'look' => ['leak' => false],
        'sign-engineer' => ['signed' => true, 'confirmed' => fromMemory($method)], 'sign-inspector' => ['signed' => true],
    ];
    $line = [
        'segments' => [$segment],
        'allowance_segments' => [['length_m' => 300, 'dn_mm' => 225]],
        'gauge_target_kpa' => 1200,
        'time_zone' => 'UTC',
    ];
    $judgement = judged($method, $values, $line);
    expect($judgement->steps['phases']->verdict)->toBe($wanted, texts($judgement))->and(texts($judgement))->toContain($sentence);
    // What is drawn of it: phases one after the other, and the course below its least where the fall made it bad.
    $course = $judgement->steps['phases']->figure;
    expect($course['shape'])->toBe('course')->and($judgement->procedure->step($course['of'])?->isA('trace'))->toBeTrue();
    foreach (array_slice($course['bands'], 1) as $i => $phase) {
        expect($phase['from_min'])->toBe($course['bands'][$i]['to_min'])->and($phase['name'])->not->toBe($course['bands'][$i]['name']);
    }
    $least = array_column($course['limits'], null, 'name')['least in the main phase'] ?? null;
    if ($least !== null && $judgement->steps['phases']->results['viscoelastic-test']['phase'] === 'main') {
        $readings = $judgement->steps['phases']->results['viscoelastic-log']['readings'];
        $below = array_filter($readings, fn (array $r, int $i) => $r[1] < $least['points'][$i][1] - 1e-6, ARRAY_FILTER_USE_BOTH);
        expect($below !== [])->toBe($wanted === Verdict::Bad);
    }
})->with([
    ['pe-viscoelastic', 'none', Verdict::Good, ''],
    ['pe-viscoelastic', 'air', Verdict::Open, 'Trapped air'],
    ['pe-viscoelastic', 'leak', Verdict::Bad, ''],
    ['constant-pressure-makeup', 'leak', Verdict::Bad, 'more than the allowance'],
    ['makeup-us', 'leak', Verdict::Bad, 'more than the allowance'],
]);

it('lets the lowest point see its test pressure and nothing more, unless the engineer says what the weakest part may see', function () {
    $line = [[0.0, 0.0, 0.0, 100.0], [300.0, 300.0, 0.0, 105.0]];
    $pipe = ['od_mm' => 225, 'wall_mm' => 20.5, 'e_mod_gpa' => 0.9, 'nu' => 0.45, 'restraint' => 'anchored', 'dn_mm' => 225];
    $ask = [
        'from_m' => 0,
        'to_m' => 300,
        'gauge_m' => 300,
        'mdp_bar' => 8,
        'stp_method' => 'en805-surge-calculated',
        'water_c' => 12,
        'fill_l_s' => 5,
    ];
    $plan = (new SectionPlan(Registry::standard()))->plan($line, [['length_m' => 300] + $pipe], $ask, [])['gauge'];
    // 8 bar and 1 bar over it, less 5 m of water column at 9.80665 kPa.
    expect($plan['min_kpa'])
        ->toEqualWithDelta(900 - 5 * 9.80665, 1e-6)
        ->and($plan['max_kpa'])
        ->toEqualWithDelta($plan['min_kpa'], 1e-6)
        ->and($plan['feasible'])
        ->toBeTrue()
        ->and($plan['pipe_max_stated'])
        ->toBeFalse();
    $stated = (new SectionPlan(Registry::standard()))->plan($line, [['length_m' => 300] + $pipe], $ask + ['pipe_max_bar' => 16], [])[
        'gauge'
    ];
    expect($stated['max_kpa'])
        ->toEqualWithDelta(1600 - 5 * 9.80665, 1e-6)
        ->and($stated['target_kpa'])
        ->toEqualWithDelta($plan['target_kpa'], 1e-6);
});

it('reads the times of the stretching-pipe test from the method, not from the code', function () {
    $in = [
        'stp_bar' => 15,
        'relax_min' => 60,
        'raise_min' => 8,
        'hold_min' => 30,
        'creep_min' => 60,
        'p_creep_end_bar' => 12.3,
        'p_after_bar' => 10.5,
        'removed_l' => 15,
        'segments' => [['length_m' => 500, 'id_mm' => 147.2, 'wall_mm' => 16.4, 'e_mod_mpa' => 900]],
        'bulk_gpa' => 2.1,
        'readings' => array_map(fn ($m) => [5 * $m, 1050 + 4 * $m], range(0, 6)),
    ];
    $run = fn (array $more) => Registry::standard()->run('viscoelastic-test', $more + $in);
    expect($run([])['verdict'])
        ->toBe('good')
        ->and($run(['relax_least_min' => 90])['phase'])
        ->toBe('relax')
        ->and($run(['creep_drop_most_percent' => 15])['phase'])
        ->toBe('creep-drop')
        ->and($run(['reduction_most_percent' => 11])['phase'])
        ->toBe('reduction')
        ->and($run(['main_min' => 45])['outcome'])
        ->toBe('not-finished');
});

it('plans a section of two kinds of pipe as what each of them takes', function () {
    $line = [[0.0, 0.0, 0.0, 100.0], [300.0, 300.0, 0.0, 100.0]];
    $pe = ['od_mm' => 225, 'wall_mm' => 20.5, 'e_mod_gpa' => 0.9, 'nu' => 0.45, 'restraint' => 'anchored', 'dn_mm' => 225];
    $pvc = ['od_mm' => 250, 'wall_mm' => 7.3, 'e_mod_gpa' => 3.0, 'nu' => 0.38, 'restraint' => 'jointed', 'dn_mm' => 250];
    $plan = fn (array $runs) => (new SectionPlan(Registry::standard()))->plan(
        $line,
        $runs,
        ['from_m' => 0, 'to_m' => 300, 'mdp_bar' => 8, 'stp_method' => 'en805-surge-calculated', 'water_c' => 12, 'fill_l_s' => 5],
        [],
    );
    $of = fn (array $runs, string $key) => $plan($runs)['compliance'][$key];
    $mixed = [['length_m' => 100] + $pe, ['length_m' => 200] + $pvc];
    foreach (['volume_m3', 'compliance_l_per_bar'] as $key) {
        expect($of($mixed, $key))->toEqualWithDelta($of([['length_m' => 100] + $pe], $key) + $of([['length_m' => 200] + $pvc], $key), 1e-9)
            ->and($of(array_reverse($mixed), $key))->toEqualWithDelta($of($mixed, $key), 1e-9);
    }
    // The larger end is pushed hardest: pressure on the circle of 250 mm.
    expect($plan($mixed)['thrust']['force_kn'])->toEqualWithDelta(900 * M_PI / 4 * 0.25 ** 2, 1e-6);
});
