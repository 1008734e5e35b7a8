<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Calculation\Signature;
use Diastoma\Core\PressureTest\MakeupAllowance;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\Clock;
use Diastoma\Core\Simulation\FusionBox;
use Diastoma\Core\Simulation\Noise;
use Diastoma\Core\Simulation\PracticeLabels;

require_once __DIR__.'/helpers.php';

it('converts as GNU Units does', function () {
    foreach (file(__DIR__.'/references/units.csv', FILE_IGNORE_NEW_LINES) as $row) {
        if ($row[0] === '#') {
            continue;
        }
        [$text, $kind, $si] = explode('|', $row);
        $got = calc('parse-quantity', ['text' => $text, 'kind' => $kind] + ($kind === 'pressure' ? ['pressure_reference' => 'gauge'] : []))[
            'si'
        ];
        expect($got)->toEqualWithDelta((float) $si, 2e-7 * abs((float) $si) + 1e-9, "{$text}: {$got} against {$si}");
    }
});

it('converts there and back as GNU Units does', function (string $kind, string $to) {
    $rows = array_filter(
        array_map(fn (string $row): array => explode('|', $row), file(__DIR__.'/references/units.csv', FILE_IGNORE_NEW_LINES)),
        fn (array $row): bool => ($row[1] ?? null) === $kind,
    );
    expect($rows)->not->toBeEmpty();
    foreach ($rows as [$text, , $gnu]) {
        [$value, $unit] = explode(' ', $text, 2);
        $si = calc("convert-{$kind}", ['value' => (float) $value, 'from' => $unit, 'to' => $to])['value'];
        $back = calc("convert-{$kind}", ['value' => (float) $gnu, 'from' => $to, 'to' => $unit])['value'];
        expect($si)
            ->toEqualWithDelta((float) $gnu, 2e-7 * abs((float) $gnu) + 1e-9, "{$text} in {$to}")
            ->and($back)
            ->toEqualWithDelta((float) $value, 2e-7 * abs((float) $value) + 1e-9, "{$gnu} {$to} in {$unit}");
    }
})->with([['length', 'm'], ['pressure', 'Pa'], ['torque', 'N.m'], ['temperature', 'degC']]);

it('turns only the direction when a round is turned, and scales with the readings', function () {
    $noise = new Noise(42);
    for ($k = 0; $k < 40; $k++) {
        $base = 200 + 50 * $noise->uniform();
        $readings = array_map(fn ($a) => ['angle_deg' => $a, 'd_mm' => $base + 3 * cos(2 * deg2rad($a - 40)) + 0.05 * $noise->uniform()], [
            0,
            30,
            60,
            90,
            120,
            150,
        ]);
        $turned = array_map(fn ($r) => ['angle_deg' => fmod($r['angle_deg'] + 30, 180), 'd_mm' => $r['d_mm']], $readings);
        $doubled = array_map(fn ($r) => ['angle_deg' => $r['angle_deg'], 'd_mm' => 2 * $r['d_mm']], $readings);
        $inches = array_map(fn ($r) => ['angle_deg' => $r['angle_deg'], 'd_in' => $r['d_mm'] / 25.4], $readings);
        $a = calc('ovality-round', ['readings' => $readings, 'limit_mm' => 5]);
        $b = calc('ovality-round', ['readings' => $turned, 'limit_mm' => 5]);
        $c = calc('ovality-round', ['readings' => $doubled, 'limit_mm' => 10, 'u_instr_mm' => 0.2]);
        $d = calc('ovality-round', ['readings' => array_reverse($inches), 'limit_in' => 5 / 25.4]);
        expect($b['ovality_fit_mm'])
            ->toEqualWithDelta($a['ovality_fit_mm'], 1e-9)
            ->and(fmod($b['axis_deg'] - $a['axis_deg'] + 180, 180))
            ->toEqualWithDelta(30, 1e-6)
            ->and($c['ovality_fit_mm'])
            ->toEqualWithDelta(2 * $a['ovality_fit_mm'], 1e-9)
            ->and($c['verdict'])
            ->toBe($a['verdict'])
            ->and($d['ovality_fit_mm'])
            ->toEqualWithDelta($a['ovality_fit_mm'], 1e-9)
            ->and($d['verdict'])
            ->toBe($a['verdict'])
            ->and($b['verdict'])
            ->toBe($a['verdict']);
    }
});

it('mirrors the turn of a joint when it is looked at from the other side', function () {
    $readings = [
        ['hour' => 12, 'gap_mm' => 10],
        ['hour' => 2, 'gap_mm' => 14],
        ['hour' => 4, 'gap_mm' => 15],
        ['hour' => 6, 'gap_mm' => 11],
        ['hour' => 8, 'gap_mm' => 7],
        ['hour' => 10, 'gap_mm' => 6],
    ];
    $mirrored = array_map(fn ($r) => ['hour' => fmod(12 - $r['hour'], 12), 'gap_mm' => $r['gap_mm']], $readings);
    $up = calc('joint-gap-fit', ['readings' => $readings, 'lever_diameter_mm' => 222, 'clock_view' => 'up-chainage', 'max_angle_deg' => 3]);
    $down = calc('joint-gap-fit', [
        'readings' => $mirrored,
        'lever_diameter_mm' => 222,
        'clock_view' => 'down-chainage',
        'max_angle_deg' => 3,
    ]);
    expect($down['angle_deg'])
        ->toEqualWithDelta($up['angle_deg'], 1e-9)
        ->and($down['turn_right_deg'])
        ->toEqualWithDelta($up['turn_right_deg'], 1e-9)
        ->and($down['pass'])
        ->toBe($up['pass']);
});

it('finds the gap deflection and the joint gap fit to be one sum', function () {
    $one = calc('gap-deflection', [
        'readings' => [
            ['theta_deg' => 0, 'value_mm' => 12],
            ['theta_deg' => 90, 'value_mm' => 9.5],
            ['theta_deg' => 180, 'value_mm' => 7],
            ['theta_deg' => 270, 'value_mm' => 10.5],
        ],
        'face_diameter_mm' => 170,
    ]);
    $two = calc('joint-gap-fit', [
        'readings' => [
            ['hour' => 12, 'gap_mm' => 12],
            ['hour' => 3, 'gap_mm' => 9.5],
            ['hour' => 6, 'gap_mm' => 7],
            ['hour' => 9, 'gap_mm' => 10.5],
        ],
        'lever_diameter_mm' => 170,
        'clock_view' => 'up-chainage',
    ]);
    expect($one['angle_deg'])->toEqualWithDelta($two['angle_deg'], 1e-9);
});

it('encodes and decodes practice codes, and sees any single wrong digit', function () {
    foreach (PracticeLabels::all() as $label) {
        if ($label['trap'] !== null) {
            continue;
        }
        $read = calc('fitting-code', ['code' => $label['code'], 'layout' => 'T1']);
        expect($read['dn_mm'])
            ->toEqual($label['dn_mm'])
            ->and($read['time_s'])
            ->toEqual($label['time_s'])
            ->and($read['voltage_v'])
            ->toEqual($label['voltage_v']);
        for ($i = 0; $i < 24; $i++) {
            $wrong = substr_replace($label['code'], (string) (((int) $label['code'][$i] + 1) % 10), $i, 1);
            expect(fn () => calc('fitting-code', ['code' => $wrong, 'layout' => 'T1']))->toThrow(Refused::class);
        }
    }
});

/** @return array<string, mixed> how a fusion of a 225 mm coupling is judged, from a box that logs so often */
function fusionJudged(string $fault, int $seed, float $perSecond, ?array $lost = null): array
{
    $log = FusionBox::logged(39.5, 0.85, 200, $fault, $seed, $perSecond, $lost);

    return calc('fusion-trace', [
        'samples' => $log['samples'],
        'u_nom_v' => 39.5,
        't_plan_s' => 200,
        'r_nom_ohm' => 0.85,
        'u_tol_pct' => 1.5,
        'e_tol_pct' => 5,
        'r_tol_pct' => 10,
        'contact_ohm' => 0.1,
        't_tol_s' => max(1, 1 / $perSecond),
        'r_cold_ohm' => $log['r_ohm'],
        'e_nom_j' => (39.5 ** 2 * 200) / $log['r_ohm'],
    ]);
}

it('raises nothing on 200 healthy fusions with noise, logged once to ten times a second, some with a gap', function () {
    for ($seed = 1; $seed <= 200; $seed++) {
        $perSecond = [1, 2, 4, 5, 10][$seed % 5];
        $from = 20 + $seed % 150;
        $gap = $seed % 3 === 0 ? [$from, $from + 3] : null;
        expect(fusionJudged('none', $seed, $perSecond, $gap)['events'])->toBe([], "seed {$seed}, {$perSecond} a second");
    }
    // A longer gap is said, and what happened in it stays open.
    $lost = fusionJudged('none', 7, 2, [50, 60]);
    expect($lost['events'])->toBe([['code' => 'data-gap', 't_s' => 49.5]])->and($lost['verdict'])->toBe('open');
});

it('finds every fault of the stand-in by its name and at its second, within one sample', function (
    string $fault,
    string $code,
    float $share,
) {
    foreach ([1, 2, 5, 10] as $perSecond) {
        for ($seed = 1; $seed <= 15; $seed++) {
            // A stretch of log that is lost elsewhere hides nothing.
            $judged = fusionJudged($fault, $seed, $perSecond, $seed % 2 === 0 ? [160, 163] : null);
            $events = array_column($judged['events'], 't_s', 'code');
            expect($judged['verdict'])
                ->toBe('bad')
                ->and($events)
                ->toHaveKey($code, message: json_encode($judged['events']))
                ->and($events[$code])
                ->toEqualWithDelta(200 * $share, 1 / $perSecond + 1e-6, "{$fault}, {$perSecond} a second, seed {$seed}");
        }
    }
})->with(array_map(fn (string $fault, array $shows) => [$fault, ...$shows], array_keys(FusionBox::SHOWS), FusionBox::SHOWS));

it('names missing, odd and unknown inputs of every calculation, and never answers nonsense with a number', function () {
    $registry = Registry::standard();
    foreach ($registry->names() as $name) {
        $schema = $registry->schema($name);
        expect($schema['properties'])->not->toBe([]);
        // [1] is a list of numbers, where one is wanted.
        $isOfNumbers = fn (string $key) => ($schema['properties'][$key]['items']['type'] ?? '') === 'number';
        foreach (
            [
                ['nonsense_mm' => 1],
                array_fill_keys($schema['required'], 'text'),
                array_fill_keys($schema['required'], true),
                array_combine($schema['required'], array_map(fn ($key) => $isOfNumbers($key) ? [[1]] : [1], $schema['required'])),
            ] as $bad
        ) {
            try {
                $registry->run($name, $bad);
                expect($schema['required'])->toBe([], "{$name} took nonsense");
            } catch (Refused $refused) {
                expect($refused->getMessage())->toMatch('/\.$/')->and($refused->firstField())->not->toBe('');
            }
        }
    }
});

it('shows defaults of a schema in the unit of the key', function () {
    expect(Signature::of(MakeupAllowance::class)->schema()['properties']['min_duration_h']['default'])->toEqualWithDelta(2.0, 1e-12);
});

it('freezes a procedure by its content and not by the order of its keys', function () {
    $raw = Procedure::shipped()['pvc-spigot-socket']->text;
    expect(Procedure::hash(array_reverse($raw, true)))->toBe(Procedure::hash($raw));
    $raw['parameters']['end_gap_mm']['value'] = 11;
    expect(Procedure::hash($raw))->not->toBe(Procedure::shipped()['pvc-spigot-socket']->hash);
});

it('takes a round as it is recorded and under the names of each sheet, to the same answer', function (
    string $calc,
    array $more,
    string $place,
    string $value,
    float $from,
) {
    $clocks = ['12:00', '1:30', '3:00', '4:30', '6:00', '7:30', '9:00', '10:30'];
    $of = fn (string $place): array => array_map(
        fn (string $clock) => $place === 'clock' ? $clock : Clock::degrees($clock) / (str_ends_with($place, '_deg') ? 1 : 30),
        $clocks,
    );
    $rows = fn (string $place, string $value, float $factor = 1): array => array_map(
        fn (mixed $at, int $i) => [$place => $at, $value => $factor * ($from + 0.3 * ($i % 3))], $of($place), array_keys($clocks),
    );
    $recorded = calc($calc, $more + ['readings' => $rows('clock', 'value_mm')]);
    expect($recorded)
        ->toEqualWithDelta(calc($calc, $more + ['readings' => $rows($place, $value)]), 1e-9)
        ->and($recorded)
        ->toEqualWithDelta(calc($calc, $more + ['readings' => $rows('clock', 'value_in', 1 / 25.4)]), 1e-9)
        ->and(refused($calc, $more + ['readings' => [['clock' => '13:75', 'value_mm' => 1], ...$rows('clock', 'value_mm')]]))
        ->toBe('readings')
        ->and(refused($calc, $more + ['readings' => [['clock' => 3, 'value_mm' => 1], ...$rows('clock', 'value_mm')]]))
        ->toBe('readings');
})->with([
    ['cut-squareness', ['od_mm' => 160, 'limit_out_of_square_mm' => 3, 'u_expanded' => 0.5], 'theta_deg', 'value_mm', 0],
    ['gap-deflection', ['face_diameter_mm' => 300], 'theta_deg', 'value_mm', 5],
    ['ovality-round', ['limit_pct' => 1.5], 'angle_deg', 'd_mm', 110],
    ['ovality-radii', ['limit_mm' => 3], 'angle_deg', 'r_mm', 315],
    ['mark-at-face', ['limit_mm' => 5], 'clock_h', 'out_mm', 1],
    ['gap-feelers', ['limit_mm' => 2], 'clock_h', 'gap_mm', 0.2],
    ['joint-gap-fit', ['lever_diameter_mm' => 160, 'clock_view' => 'up-chainage', 'max_angle_deg' => 1], 'hour', 'gap_mm', 5],
]);
