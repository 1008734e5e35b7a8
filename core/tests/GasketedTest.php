<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Units\UnitSystem;

require_once __DIR__.'/helpers.php';

/*
 * Properties of the sums of gasketed joints: turned round, swapped, in other units or put together they say the same. The
 * worked examples, with their sources, stand in core/tests/examples/gasketed.jsonl.
 */

it('comes back from angle over radius and offset to the angle', function (float $angle) {
    $there = calc('joint-offset', ['length_m' => 5.5, 'angle_deg' => $angle]);
    expect(calc('joint-offset', ['length_m' => 5.5, 'radius_m' => $there['radius_joints_m']])['angle_deg'])
        ->toEqualWithDelta($angle, 1e-9)
        ->and(calc('joint-offset', ['length_m' => 5.5, 'offset_m' => $there['offset_m']])['angle_deg'])
        ->toEqualWithDelta($angle, 1e-9)
        ->and($there['radius_tangent_m'])
        ->toBeLessThan($there['radius_simple_m'])
        ->and($there['radius_simple_m'])
        ->toBeLessThan($there['radius_joints_m']);
})->with([0.1, 1.5, 3.0, 5.0, 14.9]);

it('swings a run as the closed form has it, and a run of one as a single joint', function () {
    $run = calc('joint-run', ['length_m' => 6, 'angle_deg' => 2.4, 'pipes' => 9]);
    $half = deg2rad(2.4) / 2;
    expect($run['offset_m'])->toEqualWithDelta(6 * sin(9 * $half) * sin(10 * $half) / sin($half), 1e-9);
    $one = calc('joint-run', ['length_m' => 6, 'angle_deg' => 2.4, 'pipes' => 1]);
    expect($one['offset_m'])->toEqualWithDelta(calc('joint-offset', ['length_m' => 6, 'angle_deg' => 2.4])['offset_m'], 1e-12);
});

it('makes the turn that was asked for with joints and bends together', function (float $turn, int $joints) {
    $found = calc('turn-joints', ['turn_deg' => $turn, 'max_joint_angle_deg' => 3, 'working_share' => 0.8, 'joints_available' => $joints]);
    expect(array_sum($found['bends_deg']) + $found['residual_deg'])
        ->toEqualWithDelta($turn, 1e-9)
        ->and(abs($found['residual_deg']))
        ->toBeLessThanOrEqual($joints * 2.4 + 1e-9);
})->with([[7.0, 4], [11.25, 1], [58.0, 5], [90.0, 1], [112.0, 2]]);

it('says the same of a gasket when the round is turned', function (float $by) {
    $readings = fn (float $turned): array => array_map(
        fn (int $i) => ['hour' => fmod($i * 1.5 + $turned, 12), 'depth_mm' => [31, 31, 31, 46, 46, 31, 31, 31][$i]],
        range(0, 7),
    );
    $limits = ['depth_min_mm' => 28, 'depth_max_mm' => 34, 'u_mm' => 1, 'od_mm' => 222];
    $as = calc('feeler-check', $limits + ['readings' => $readings(0)]);
    $turned = calc('feeler-check', $limits + ['readings' => $readings($by)]);
    expect($turned['verdict'])->toBe('bad')
        ->and($turned['stretch_deg'])->toEqualWithDelta($as['stretch_deg'], 1e-9)
        ->and($turned['stretch_m'])->toEqualWithDelta($as['stretch_m'], 1e-12)
        ->and($as['bad_hours'])->toBe([4.5, 6.0])
        ->and(array_map(fn (float $hour) => fmod($hour - $by + 24, 12), $turned['bad_hours']))
        ->toEqualCanonicalizing([4.5, 6.0]);
})->with([1.5, 4.5, 6.0, 7.5, 10.5]);

it('finds a gasket that sits nowhere all round, and says so', function () {
    $readings = array_map(fn (int $h) => ['hour' => $h, 'depth_mm' => 50], [12, 3, 6, 9]);
    $found = calc('feeler-check', ['readings' => $readings, 'depth_min_mm' => 28, 'depth_max_mm' => 34, 'min_readings' => 4]);
    expect($found['stretch_deg'])->toBe(360.0)->and($found['bad_hours'])->toBe([12.0, 3.0, 6.0, 9.0]);
});

it('says the same in feet, inches and psi', function () {
    $metric = calc('pipe-mass', ['od_m' => 0.22987, 'wall_m' => 0.00635, 'density_kg_m3' => 7050, 'length_m' => 6.096]);
    $inch = calc('pipe-mass', ['od_in' => 9.05, 'wall_in' => 0.25, 'density_kg_m3' => 7050, 'length_ft' => 20]);
    expect($inch['mass_kg'])->toEqualWithDelta($metric['mass_kg'], 1e-9);
    $sling = ['legs' => 2, 'angle_deg' => 45];
    expect(calc('sling-load', $sling + ['mass_lb' => 1000, 'wll_lbf' => 2000])['use_pct'])
        ->toEqualWithDelta(calc('sling-load', $sling + ['mass_kg' => 453.59237, 'wll_n' => 8896.443230521])['use_pct'], 1e-9);
    $gap = ['alpha_per_c' => 5.4e-5, 'length_m' => 6.096];
    expect(calc('gasketed-thermal-gap', $gap + ['max_temp_f' => 86, 'laying_temp_f' => 41])['gap_m'])
        ->toEqualWithDelta(calc('gasketed-thermal-gap', $gap + ['max_temp_c' => 30, 'laying_temp_c' => 5])['gap_m'], 1e-12);
});

it('hangs a pipe in two slings with its whole weight, and evenly about its centre', function () {
    $pipe = ['length_m' => 6, 'barrel_kg' => 600, 'bell_extra_kg' => 60];
    $cg = calc('sling-points', $pipe + ['sling1_from_bell_m' => 1, 'sling2_from_bell_m' => 5])['cg_from_bell_m'];
    $even = calc('sling-points', $pipe + ['sling1_from_bell_m' => $cg - 1.5, 'sling2_from_bell_m' => $cg + 1.5]);
    expect($even['load1_n'])->toEqualWithDelta($even['load2_n'], 1e-9)
        ->and($even['load1_n'] + $even['load2_n'])->toEqualWithDelta(660 * 9.80665, 1e-9);
});

it('needs as much budget as each part takes, and none where nothing pulls', function () {
    $still = ['length_m' => 6, 'od_m' => 0.2, 'engagement_m' => 0.09, 'min_engagement_m' => 0.04, 'laid_gap_m' => 0,
        'alpha_per_c' => 8e-5, 'laying_temp_c' => 10, 'min_temp_c' => 20];
    $pulled = calc('pullout-budget', ['laid_gap_m' => 0.01, 'min_temp_c' => 5, 'angle_deg' => 2, 'settlement_m' => 0.003] + $still);
    expect(calc('pullout-budget', $still)['remaining_m'])->toBe(0.09)
        ->and($pulled['total_m'])->toEqualWithDelta(0.01 + $pulled['thermal_m'] + $pulled['angle_m'] + 0.003, 1e-12);
});

it('leaves a cut on an inch pipe open until the tolerance of its spigot is known, and never cites that of another standard', function () {
    $procedure = Diastoma\Core\Procedure\Procedure::shipped()['iron-push-on'];
    $example = Diastoma\Core\Procedure\Example::shipped()['iron-push-on'];
    $inch = ['series' => 'dips', 'nominal' => 8.0, 'od_mm' => 229.87] + $example->line();
    $cut = fn (array $more) => array_map(
        fn ($fact) => $fact->step === 'cut-where'
            ? new Diastoma\Core\Procedure\Fact($fact->id, $fact->step, ['circumference_mm' => 722.0] + $more + $fact->value, $fact->at)
            : $fact,
        $example->facts(),
    );
    $judged = fn (array $more) => Diastoma\Core\Procedure\Judge::judge(
        $procedure,
        $cut($more),
        $inch,
        new DateTimeImmutable('2026-05-05T08:00:00+02:00'),
    )->steps['cut-where'];
    expect($judged([])->verdict->value)->toBe('open')
        ->and($judged(['over_mm' => 1.5])->verdict->value)->toBe('open')
        ->and($judged(['over_mm' => 1.5, 'under_mm' => 1.5])->verdict->value)->toBe('good')
        ->and($judged(['over_mm' => 0.1, 'under_mm' => 0.01])->verdict->value)->toBe('bad');
});

it('does not take lines deep in the socket of a restrained joint for a spigot on its stop', function () {
    $example = Diastoma\Core\Procedure\Example::shipped()['iron-restrained'];
    $facts = array_map(
        fn ($fact) => $fact->step === 'home'
            ? new Diastoma\Core\Procedure\Fact($fact->id, $fact->step, ['visible_mm' => -25.0] + $fact->value, $fact->at)
            : $fact,
        $example->facts(),
    );
    $judged = Diastoma\Core\Procedure\Judge::judge(
        $example->procedure,
        $facts,
        $example->line(),
        new DateTimeImmutable('2026-05-05T08:00:00+02:00'),
    );
    expect($judged->steps['home']->verdict->value)->toBe('good');
});

it('puts slings where each carries as much as the other', function (float $length, float $barrel, float $bell) {
    $places = Registry::standard()->run('sling-places', ['length_m' => $length, 'barrel_kg' => $barrel, 'bell_extra_kg' => $bell]);
    $loads = Registry::standard()->run('sling-points', [
        'length_m' => $length,
        'barrel_kg' => $barrel,
        'bell_extra_kg' => $bell,
        'sling1_from_bell_m' => $places['sling1_from_bell_m'],
        'sling2_from_bell_m' => $places['sling2_from_bell_m'],
    ]);
    expect($loads['load1_n'])->toEqualWithDelta($loads['load2_n'], 1e-6);
})->with([[6, 600, 60], [12, 3200, 0], [2.5, 2400, 350]]);

it('turns a joint the same way whichever pipe is named first, and wherever north is', function (array $first, array $second, float $north) {
    $angle = fn (array $a, array $b, float $more = 0) => Registry::standard()->run('compound-angle', [
        'azimuth1_deg' => $a[0] + $more,
        'grade1_ratio' => $a[1],
        'azimuth2_deg' => $b[0] + $more,
        'grade2_ratio' => $b[1],
    ])['angle_deg'];
    expect($angle($second, $first))->toEqualWithDelta($angle($first, $second), 1e-9)
        ->and($angle($first, $second, $north))->toEqualWithDelta($angle($first, $second), 1e-9);
})->with([[[90, 0], [93, 0.04], 77], [[359, 0.01], [1, -0.02], 181], [[10, 0.1], [10.001, 0.1], 350]]);

it('finds a corner made of joints in the points of its pipes', function (float $turn, float $length, int $joints) {
    $made = Registry::standard()->run('vertex-by-joints', ['turn_deg' => $turn, 'length_m' => $length, 'joints' => $joints]);
    // Along the first leg to the first joint, then pipe by pipe, each turned once more, then along the second leg.
    $points = [['e_m' => 0, 'n_m' => -50, 'z_m' => 0], ['e_m' => 0, 'n_m' => -$made['first_joint_m'], 'z_m' => 0]];
    for ($k = 1; $k < $joints; $k++) {
        $last = $points[count($points) - 1];
        $towards = deg2rad($k * $turn / $joints);
        $points[] = ['e_m' => $last['e_m'] + $length * sin($towards), 'n_m' => $last['n_m'] + $length * cos($towards), 'z_m' => 0];
    }
    $last = $points[count($points) - 1];
    // The last joint lies on the other leg, as far from the corner as the first.
    expect($last['e_m'])->toEqualWithDelta($made['first_joint_m'] * sin(deg2rad($turn)), 1e-9)
        ->and($last['n_m'])->toEqualWithDelta($made['first_joint_m'] * cos(deg2rad($turn)), 1e-9);
    $points[] = ['e_m' => $last['e_m'] + 50 * sin(deg2rad($turn)), 'n_m' => $last['n_m'] + 50 * cos(deg2rad($turn)), 'z_m' => 0];
    $angles = Registry::standard()->run('polyline-angles', ['points' => $points])['angles_deg'];
    expect($angles)->toHaveCount($joints);
    foreach ($angles as $angle) {
        expect($angle)->toEqualWithDelta($turn / $joints, 1e-9);
    }
})->with([[6, 3, 2], [3, 6, 3], [20, 6, 7], [2, 5.5, 1]]);

it('asks for the closing piece only where there is one, and judges its cut by both insertions', function (
    string $id,
    float $cut,
    string $verdict,
    string $says,
) {
    $example = Example::shipped()[$id];
    $at = new DateTimeImmutable('2026-05-05T08:00:00+02:00');
    // 2350 mm clear, 110 mm in at both ends, 10 mm of room at each: 2350 + 220 - 20.
    $value = ['clear_mm' => 2350, 'depth_a_mm' => 110, 'depth_b_mm' => 110, 'cut_mm' => $cut];
    $fact = new Fact('piece', 'piece', $value, $at, 'Bram Ivesley', 'joiner');
    $step = Judge::judge($example->procedure, [$fact], ['closing_piece' => true] + $example->line(), $at)->steps['piece'];
    expect($step->verdict->value)
        ->toBe($verdict)
        ->and($step->reasons[0]->text->in(UnitSystem::Metric, new DateTimeZone('Europe/Vienna')))
        ->toBe($says);
    expect($example->judged()->steps)->not->toHaveKey('piece');
})->with(['iron-push-on', 'pvc-spigot-socket', 'grp-coupling', 'grp-coupling-centred'])->with([
    [2549.0, 'good', 'Cut to 2549 mm; wanted is 2550 mm.'],
    [2546.0, 'close', 'Cut to 2546 mm; wanted is 2550 mm: near the 5 mm that are allowed.'],
    [2530.0, 'bad', 'Cut to 2530 mm; wanted is 2550 mm, within 5 mm.'],
]);
