<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
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
