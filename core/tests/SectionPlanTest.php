<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\PressureTest\Medium;
use Diastoma\Core\PressureTest\SectionPlan;

/* What stands before a test: who is still missing, what the weakest part may see, where air and water gather. */

/**
 * @param  list<array{number: string, state: string, verdict: string, test_from: string|null}>  $joints
 * @param  array<string, mixed>  $more
 * @return array<string, mixed>
 */
function sectionPlan(array $joints, array $more = []): array
{
    $pipe = ['od_mm' => 225, 'wall_mm' => 20.5, 'e_mod_gpa' => 0.9, 'nu' => 0.45, 'restraint' => 'anchored', 'dn_mm' => 225];
    $ask = ['from_m' => 0, 'to_m' => 300, 'gauge_m' => 0, 'mdp_bar' => 8, 'stp_method' => 'en805-surge-calculated', 'water_c' => 12];
    $line = [[0.0, 0.0, 0.0, 100.0], [300.0, 300.0, 0.0, 100.0]];

    return (new SectionPlan(Registry::standard()))
        ->plan($line, [['length_m' => 300] + $pipe], $more + $ask + ['fill_l_s' => 5], $joints);
}

/**
 * A line that climbs and turns, tested with what a method fills it with.
 *
 * @param  array<string, mixed>  $more
 * @return array<string, mixed>
 */
function turningPlan(Medium $medium, bool $atGauge, array $more = []): array
{
    $pipe = ['od_mm' => 225, 'wall_mm' => 20.5, 'e_mod_gpa' => 0.9, 'nu' => 0.45, 'restraint' => 'anchored', 'dn_mm' => 225];
    $ask = ['from_m' => 0, 'to_m' => 200, 'gauge_m' => 0, 'mdp_bar' => 4, 'stp_method' => 'factor', 'factor' => 1.5, 'water_c' => 12];
    // A quarter turn on the level, then up by 60 m in 100 m of chainage, with a turn in the vertical of 36.87 degrees.
    $line = [[0.0, 0.0, 0.0, 100.0], [50.0, 50.0, 0.0, 100.0], [100.0, 50.0, 50.0, 100.0], [200.0, 50.0, 130.0, 160.0]];

    return (new SectionPlan(Registry::standard()))
        ->plan($line, [['length_m' => 200] + $pipe], $more + $ask + ['fill_l_s' => 5], [jointOf('accepted', 'good')], $medium, $atGauge);
}

/** @return array{number: string, state: string, verdict: string, test_from: string|null} */
function jointOf(string $state, string $verdict): array
{
    return ['number' => '7', 'state' => $state, 'verdict' => $verdict, 'test_from' => null];
}

it('says of each joint what is missing, and is good of accepted ones alone', function (string $state, string $verdict, ?string $says) {
    $plan = sectionPlan([jointOf('accepted', 'good'), jointOf($state, $verdict)]);
    expect($plan['missing'])
        ->toBe($says === null ? [] : [$says])
        ->and($plan['verdict'])
        ->toBe($says === null ? 'good' : 'open')
        ->and($plan['joint_count'])
        ->toBe(2);
})->with([
    ['accepted', 'good', null],
    ['accepted', 'close', null],
    ['planned', 'open', 'Joint 7 is not made.'],
    ['begun', 'open', 'Joint 7 is not finished.'],
    ['begun', 'bad', 'Joint 7 is bad.'],
    ['made', 'good', 'Joint 7 waits for its signature.'],
    ['made', 'bad', 'Joint 7 is bad.'],
]);

it('is not good where no joint is known at all', function () {
    expect(sectionPlan([]))->toMatchArray(['missing' => ['No joint of this section is recorded.'], 'verdict' => 'open']);
});

it('shows what the weakest part may see only where somebody has said it', function () {
    $joints = [jointOf('accepted', 'good')];
    expect(sectionPlan($joints)['gauge'])
        ->toMatchArray(['pipe_max_stated' => false, 'pipe_max_kpa' => null])
        ->and(sectionPlan($joints, ['pipe_max_bar' => 16])['gauge'])
        ->toMatchArray(['pipe_max_stated' => true, 'pipe_max_kpa' => 1600]);
});

it('vents a flat crest and drains a flat trough once, where the water comes to it first', function () {
    $profile = [[0, 10], [10, 15], [20, 15], [30, 9], [40, 9], [50, 14]];
    expect(Registry::standard()->run('vents-and-drains', ['profile' => $profile, 'min_prominence_m' => 0.5]))
        ->toBe(['vents_m' => [10.0, 50.0], 'drains_m' => [0.0, 30.0]]);
});

it('pushes at each bend as two ends at that angle do, with the pressure that stands there', function () {
    $plan = turningPlan(Medium::Water, true, ['pipe_max_bar' => 16]);
    $gauge = $plan['gauge']['target_kpa'];
    // Statics: two forces p A that make the angle have the resultant 2 p A sin(angle/2).
    $force = fn (float $kpa, float $deg): float => 2 * $kpa * M_PI / 4 * 0.225 ** 2 * sin(deg2rad($deg) / 2);
    expect(array_column($plan['bends'], 'chainage_m'))
        ->toBe([50.0, 100.0])
        ->and($plan['bends'][0]['angle_deg'])
        ->toEqualWithDelta(90, 1e-9)
        ->and($plan['bends'][1]['angle_deg'])
        ->toEqualWithDelta(36.8699, 1e-3)
        ->and($plan['bends'][0]['force_kn'])
        ->toEqualWithDelta($force($gauge, 90), 1e-6)
        ->and($plan['bends'][1]['force_kn'])
        ->toEqualWithDelta($force($gauge, 36.8699), 1e-3)
        // Where the line runs straight there is none.
        ->and(sectionPlan([])['bends'])
        ->toBe([]);
});

it('says where a section must be cut whose levels lie too far apart, and not where cutting does not help', function () {
    // 6 bar at the lowest point, 4 bar at the highest: 2 bar are 20.39 m of water, and the line climbs by 60 m.
    $plan = turningPlan(Medium::Water, true);
    expect($plan['verdict'])
        ->toBe('bad')
        ->and($plan['split']['max_level_range_m'])
        ->toEqualWithDelta(200 / 9.80665, 1e-9)
        ->and($plan['split']['sections'])
        ->toBe(3)
        ->and($plan['split']['cuts_m'][0])
        ->toEqualWithDelta(100 + 200 / 9.80665 / 0.6, 1e-6)
        ->and(turningPlan(Medium::Water, true, ['pipe_max_bar' => 16])['split'])
        ->toBeNull()
        // The pipe does not stand the test pressure itself.
        ->and(turningPlan(Medium::Water, true, ['pipe_max_bar' => 5])['split'])
        ->toBeNull();
});

it('holds a method with a pressure of its own to no pressure at the gauge', function (Medium $medium) {
    $plan = turningPlan($medium, false);
    expect($plan)->toMatchArray(['at_gauge' => false, 'medium' => $medium->value, 'verdict' => 'good', 'split' => null]);
})->with([Medium::LowAir, Medium::Vacuum, Medium::Water, Medium::Gas]);

it('says what gas stores, beside the same test with water, and how far people keep; nothing of it for water and low air', function () {
    $plan = turningPlan(Medium::Gas, false);
    $volume = M_PI / 4 * 0.184 ** 2 * 200;
    // ASME PCC-2, Article 501: 2.5 Pat V (1 - (Pa/Pat)^0.286), absolute.
    $energy = 2.5 * 701e3 * $volume * (1 - (101 / 701) ** 0.286) / 1e6;
    expect($plan['stored'])
        ->toMatchArray(['p_kpa' => 600.0, 'distance_m' => 30.0])
        ->and($plan['stored']['energy_mj'])
        ->toEqualWithDelta($energy, 1e-6)
        ->and($plan['stored']['ratio'])
        ->toEqualWithDelta(1000 * $plan['stored']['energy_mj'] / $plan['stored']['water_energy_kj'], 1e-6)
        // Gas weighs nothing: the end is pushed by the test pressure, wherever it lies.
        ->and($plan['thrust']['force_kn'])
        ->toEqualWithDelta(600 * M_PI / 4 * 0.225 ** 2, 1e-6)
        ->and([turningPlan(Medium::Water, true)['stored'], turningPlan(Medium::LowAir, false)['stored']])
        ->toBe([null, null]);
});

it('says by how much pipes whose joints slide draw in, and nothing of a line that is held', function () {
    $pipe = ['od_mm' => 160, 'wall_mm' => 7.7, 'e_mod_gpa' => 3.0, 'nu' => 0.38, 'dn_mm' => 160];
    $ask = ['from_m' => 0, 'to_m' => 300, 'gauge_m' => 0, 'mdp_bar' => 8, 'stp_method' => 'en805-surge-calculated', 'water_c' => 12];
    $line = [[0.0, 0.0, 0.0, 100.0], [300.0, 300.0, 0.0, 100.0]];
    $plan = fn (string $restraint, bool $atGauge = true): array => (new SectionPlan(Registry::standard()))
        ->plan($line, [['length_m' => 300, 'restraint' => $restraint] + $pipe], $ask + ['fill_l_s' => 5], [], Medium::Water, $atGauge);
    // Mechanics of a thin ring: nu p D / (2 e E) of its length, p 900 kPa on the level, D in the middle of the wall.
    expect($plan('jointed')['draws_in_mm'])
        ->toEqualWithDelta(1e5 * 0.38 * 0.9e6 * 0.1523 / (2 * 0.0077 * 3.0e9), 1e-6)
        ->and($plan('anchored')['draws_in_mm'])
        ->toBeNull()
        // The method has a pressure of its own, which the plan does not know.
        ->and($plan('jointed', false)['draws_in_mm'])
        ->toBeNull();
});

it('is held up by what holds the thrust, and says of each what is missing', function (
    string $state,
    string $verdict,
    array $missing,
    ?float $for = 2000,
) {
    $pipe = ['od_mm' => 225, 'wall_mm' => 20.5, 'e_mod_gpa' => 0.9, 'nu' => 0.45, 'restraint' => 'anchored', 'dn_mm' => 225];
    $ask = ['from_m' => 0, 'to_m' => 300, 'gauge_m' => 0, 'mdp_bar' => 8, 'stp_method' => 'en805-surge-calculated', 'water_c' => 12];
    $held = [[
        'name' => 'Bend 2', 'state' => $state, 'verdict' => $verdict, 'test_from' => '2026-05-11T10:00:00Z', 'at_m' => 100.0,
        'to_m' => 100.0, 'held_kpa' => $for,
    ]];
    $plan = (new SectionPlan(Registry::standard()))->plan(
        [[0.0, 0.0, 0.0, 100.0], [300.0, 300.0, 0.0, 100.0]], [['length_m' => 300] + $pipe], $ask + ['fill_l_s' => 5],
        [jointOf('accepted', 'good')], held: $held,
    );
    expect($plan['missing'])->toBe($missing)
        ->and($plan['verdict'])->toBe($missing === [] ? 'good' : 'open')
        ->and($plan['earliest'])->toMatchArray([
            'governing' => 'Bend 2', 'is_joint' => false, 'earliest_at' => '2026-05-11T10:00:00Z',
        ]);
})->with([
    'signed' => ['accepted', 'good', []],
    'made, not signed' => ['made', 'open', ['Bend 2 waits for its signature.']],
    'begun' => ['begun', 'open', ['Bend 2 is not finished.']],
    'planned' => ['planned', 'open', ['Bend 2 is not finished.']],
    'bad' => ['begun', 'bad', ['Bend 2: does not hold the thrust.']],
    // 8 bar and 100 kPa of surge, on the level: EN 805.
    'signed for less' => ['accepted', 'good', ['Bend 2 is held for 700 kPa; the test puts 900 kPa on it.'], 700.0],
    'signed for just so much' => ['accepted', 'good', [], 900.0],
    'signed, and nobody said for which pressure' => ['accepted', 'good', ['Bend 2 is not finished.'], null],
    'signed, and bad by what was said since' => ['accepted', 'bad', ['Bend 2: does not hold the thrust.']],
]);

it('asks what holds a bend where the joints beside it slide', function (string $restraint, ?float $from, ?float $to, bool $isAsked) {
    $pipe = ['od_mm' => 222, 'wall_mm' => 6.3, 'e_mod_gpa' => 170.0, 'nu' => 0.28, 'dn_mm' => 200];
    $ask = ['from_m' => 20, 'to_m' => 320, 'gauge_m' => 20, 'mdp_bar' => 8, 'stp_method' => 'en805-surge-calculated', 'water_c' => 12];
    $held = $from === null ? [] : [[
        'name' => 'Block 1', 'state' => 'accepted', 'verdict' => 'good', 'test_from' => null, 'at_m' => $from, 'to_m' => $to,
        'held_kpa' => 2000.0,
    ]];
    // The first 100 m are welded, the others joined.
    $plan = (new SectionPlan(Registry::standard()))->plan(
        [[0.0, 0.0, 0.0, 100.0], [400.0, 400.0, 0.0, 100.0]],
        [['length_m' => 100, 'restraint' => 'anchored'] + $pipe, ['length_m' => 200, 'restraint' => $restraint] + $pipe],
        $ask + ['fill_l_s' => 5], [jointOf('accepted', 'good')], held: $held,
        set: [['number' => 'B1', 'at_m' => 60.0, 'bend_deg' => 45.0], ['number' => 'B2', 'at_m' => 200.0, 'bend_deg' => 22.5]],
    );
    expect($plan['missing'])->toBe($isAsked ? ['Bend B2 of 22.5°: no record says what holds its thrust.'] : [])
        ->and($plan['verdict'])->toBe($isAsked ? 'open' : 'good');
})->with([
    'nobody has recorded it' => ['jointed', null, null, true],
    'a block stands there' => ['jointed', 200.0, 200.0, false],
    'two metres beside it' => ['jointed', 202.0, 202.0, false],
    'too far from it' => ['jointed', 202.1, 202.1, true],
    'joints locked over a length' => ['jointed', 150.0, 230.0, false],
    'a length that ends before it' => ['jointed', 150.0, 197.9, true],
    'welded there too' => ['anchored', null, null, false],
]);
