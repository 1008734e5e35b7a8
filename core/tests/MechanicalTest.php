<?php

declare(strict_types=1);

use Diastoma\Core\Data;
use Diastoma\Core\Pipe\Family\PipeFamilies;
use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;
use Diastoma\Core\Units\UnitSystem;

require_once __DIR__.'/helpers.php';

/* Couplings, bolts, taps and leaks: what must stay the same when the ends are swapped, the round is turned, the unit is changed. */

it('judges a coupling the same from either end', function (float $face1, float $face2) {
    $limits = ['min_insertion_m' => 0.1, 'gap_min_m' => 0.01, 'gap_max_m' => 0.04, 'offcentre_max_m' => 0.01];
    $sleeve = ['coupling_length_m' => 0.3, 'mark1_m' => 0.15, 'mark2_m' => 0.15] + $limits;
    $one = calc('coupling-centre', $sleeve + ['face1_m' => $face1, 'face2_m' => $face2]);
    $two = calc('coupling-centre', $sleeve + ['face1_m' => $face2, 'face2_m' => $face1]);
    $swapped = array_map(fn (string $code) => strtr($code, ['1' => '2', '2' => '1']), $two['reasons']);
    expect($two['verdict'])->toBe($one['verdict'])->and($swapped)->toEqualCanonicalizing($one['reasons'])
        ->and($two['offcentre_m'])->toEqualWithDelta(-$one['offcentre_m'], 1e-12)->and($two['gap_m'])->toEqual($one['gap_m']);
})->with([[0.005, 0.015], [-0.02, 0.055], [0.055, 0.055], [0.0, 0.0]]);

it('judges a coupling the same in inches', function () {
    $metric = ['coupling_length_m' => 0.3, 'mark1_m' => 0.15, 'mark2_m' => 0.15, 'face1_m' => -0.02, 'face2_m' => 0.055];
    $metric += ['min_insertion_m' => 0.1, 'gap_min_m' => 0.01, 'gap_max_m' => 0.04, 'offcentre_max_m' => 0.01];
    $us = [];
    foreach ($metric as $key => $value) {
        $us[substr($key, 0, -2).'_in'] = $value / 0.0254;
    }
    expect(calc('coupling-centre', $us)['reasons'])->toBe(calc('coupling-centre', $metric)['reasons']);
});

it('turns the widest place with the round', function (array $gaps) {
    $read = function (array $g): array {
        return calc('gap-angle', ['face_diameter_m' => 0.222, 'gap_min_m' => 0.01, 'gap_max_m' => 0.04, 'angle_max_deg' => 4,
            'closure_max_m' => 0.001, 'gap_12_m' => $g[0], 'gap_3_m' => $g[1], 'gap_6_m' => $g[2], 'gap_9_m' => $g[3]]);
    };
    $before = $read($gaps);
    $after = $read([$gaps[3], $gaps[0], $gaps[1], $gaps[2]]);
    expect($after['verdict'])->toBe($before['verdict'])->and($after['angle_deg'])->toEqualWithDelta($before['angle_deg'], 1e-9)
        ->and(fmod($before['wide_at_deg'] + 90, 360))->toEqualWithDelta($after['wide_at_deg'], 1e-9);
})->with([[[0.024, 0.020, 0.016, 0.020]], [[0.024, 0.023, 0.016, 0.017]], [[0.034, 0.02, 0.012, 0.026]]]);

it('finds the same narrowest and widest gap by angle and by readings', function () {
    $round = ['gap_12_m' => 0.024, 'gap_3_m' => 0.023, 'gap_6_m' => 0.016, 'gap_9_m' => 0.017];
    $read = calc('gap-angle', ['face_diameter_m' => 0.222] + $round);
    $by = calc('gap-angle-combine', [
        'gap_centre_m' => $read['gap_centre_m'], 'angle_deg' => $read['angle_deg'], 'diameter_m' => 0.222, 'rule' => 'geometry',
    ]);
    expect($by['gap_narrow_m'])->toEqualWithDelta($read['gap_narrow_m'], 1e-12)->and($by['gap_wide_m'])
        ->toEqualWithDelta($read['gap_wide_m'], 1e-12);
});

it('comes back to what it set out from: torque and preload, wrench and extension, hole and leak', function () {
    $bolt = ['nut_factor' => 0.18, 'diameter_mm' => 20, 'area_m2' => 244.794e-6, 'proof_pa' => 600e6];
    $preload = calc('torque-preload', $bolt + ['torque_nm' => 140])['preload_n'];
    expect(calc('torque-preload', $bolt + ['preload_n' => $preload])['torque_nm'])->toEqualWithDelta(140, 1e-9);
    $wrench = ['target_nm' => 90, 'lever_m' => 0.6, 'extension_m' => 0.15, 'angle_deg' => 30];
    $set = calc('wrench-extension', $wrench)['set_nm'];
    expect(calc('wrench-extension', $wrench + ['reading_nm' => $set])['at_bolt_nm'])->toEqualWithDelta(90, 1e-9);
    $flow = calc('hole-leak-water', ['hole_mm' => 2.5, 'pressure_bar' => 7])['flow_m3_s'];
    expect(calc('hole-leak-water', ['flow_m3_s' => $flow, 'pressure_bar' => 7])['hole_m'])->toEqualWithDelta(0.0025, 1e-12);
});

it('is as strong as water at low pressure and continuous where gas is choked', function () {
    $gas = fn (float $pa) => calc('hole-leak-gas', ['hole_mm' => 2, 'pressure_pa' => $pa, 'temp_degc' => 15, 'specific_gravity' => 0.6]);
    // At a small difference a gas flows as what cannot be pressed together: cd A √(2 ρ Δp), ρ from the gas law (physics).
    $density = 101325 * 0.6 * 0.0289647 / (8.314462618 * 288.15);
    expect($gas(100)['mass_kg_s'])->toEqualWithDelta(0.6 * M_PI / 4 * 4e-6 * sqrt(2 * $density * 100), 1e-8);
    $edge = 101325 / $gas(0)['ratio_critical'] - 101325;
    expect($gas($edge * 1.0001)['choked'])->toBeTrue()->and($gas($edge * 0.9999)['choked'])->toBeFalse()
        ->and($gas($edge * 1.0001)['mass_kg_s'])->toEqualWithDelta($gas($edge * 0.9999)['mass_kg_s'], 1e-7);
});

it('takes the whole width of a narrow gasket as bearing, and part of a wide one', function () {
    // Half width 6 mm is where the two formulas of ASME VIII-1 part; b = 2.5 √6 mm = 6.12 mm, not far from it.
    $at = fn (float $half) => calc('flange-bolt-load', [
        'gasket_od_m' => 0.2 + 2 * $half, 'gasket_id_m' => 0.2 - 2 * $half, 'm' => 1, 'y_pa' => 1.4e6, 'pressure_bar' => 16, 'bolts' => 8,
        'bolt_area_m2' => 157e-6, 'bolt_allow_cold_pa' => 1.2e8, 'bolt_allow_hot_pa' => 1.2e8, 'nut_factor' => 0.2, 'diameter_mm' => 16,
    ]);
    expect($at(0.006)['b_m'])->toEqualWithDelta(0.006, 1e-12)->and($at(0.0060001)['b_m'])->toEqualWithDelta(0.0061238, 1e-6);
});

it('judges an order the same whatever the order of its entries, and in other offsets', function () {
    $pairs = [['a', 'b'], ['b', 'c'], ['x', 'c']];
    $events = [
        ['step' => 'a', 'time' => '2026-05-04T08:00:00+02:00'], ['step' => 'x', 'time' => '2026-05-04T08:05:00+02:00'],
        ['step' => 'b', 'time' => '2026-05-04T08:10:00+02:00'], ['step' => 'c', 'time' => '2026-05-04T08:20:00+02:00'],
    ];
    $after = ['a' => ['main'], 'c' => ['main', 'rod']];
    $given = ['before' => $pairs, 'pressure_after' => $after, 'complete' => true];
    $straight = calc('order-lock', $given + ['events' => $events]);
    $utc = array_map(fn (array $e) => ['time' => str_replace(['T08', '+02:00'], ['T06', 'Z'], $e['time'])] + $e, array_reverse($events));
    expect($straight['verdict'])->toBe('good')->and($straight['under_pressure'])->toBe(['main', 'rod'])
        ->and(calc('order-lock', $given + ['events' => $utc]))->toBe($straight);
});

it('says nothing is safe behind a step that was left out, whichever it was', function () {
    $chain = array_map(fn (int $i) => "s{$i}", range(0, 9));
    $pairs = array_map(fn (int $i) => [$chain[$i], $chain[$i + 1]], range(0, 8));
    $after = array_fill_keys($chain, ['main']);
    foreach (range(0, 8) as $left) {
        $done = array_values(array_diff($chain, [$chain[$left]]));
        $events = array_map(fn (string $s, int $i) => ['step' => $s, 'time' => minute($i)], $done, array_keys($done));
        $out = calc('order-lock', ['before' => $pairs, 'events' => $events, 'pressure_after' => $after]);
        expect($out['verdict'])->toBe('bad')->and($out['next'])->toBe([])->and($out['under_pressure'])->toBeNull();
    }
});

it('knows the pipes that fool crews', function (float $od, array $twins) {
    $found = calc('pipe-candidates', ['od_mm' => $od, 'u_mm' => 0.5]);
    $inside = array_filter($found['candidates'], fn (array $row) => $row['inside']);
    $names = array_map(fn (array $row) => "{$row['family']} {$row['size']}", $inside);
    expect($found['decision'])->toBe('several')->and(array_values(array_diff($twins, $names)))->toBe([])
        ->and($found['text'])->toContain('cannot tell them apart')->toContain('confirm by');
})->with([
    '32.00 in' => [812.8, ['ciod 30', 'ips 32']],
    '15.30 in' => [388.62, ['ciod 14', 'pvc-sewer 15']],
    '14 in and metric 355' => [355.6, ['ips 14', 'pe-metric 355']],
    '6 in steel and DN 150 iron' => [168.3, ['ips 6', 'di-metric 150']],
    '8 in steel and DN 200 iron' => [219.1, ['ips 8', 'di-metric 200']],
    '10 in steel and DN 250 iron' => [273.05, ['ips 10', 'di-metric 250']],
    '12 in steel and DN 300 iron' => [323.85, ['ips 12', 'di-metric 300']],
    '4 in iron and the old 100' => [121.92, ['ciod 4', 'series-2 100']],
    'sewer 24 and metric 630' => [630.0, ['pvc-sewer 24', 'pe-metric 630', 'pvcu-metric 630']],
    'old 6 in iron and PE 180' => [180.3, ['pit-cast 6 B-D', 'pe-metric 180']],
    '10 in iron and PE 280' => [281.9, ['ciod 10', 'pe-metric 280']],
]);

it('calls a steel pipe with two labels one pipe, by the name that was asked for', function () {
    $both = calc('pipe-candidates', ['od_mm' => 168.3, 'u_mm' => 0.1, 'material' => 'steel']);
    expect($both['candidates'][0])->toMatchArray(['family' => 'ips', 'size' => '6', 'also' => '168.3'])
        ->and($both['decision'])->toBe('single');
    $metric = calc('pipe-candidates', ['od_mm' => 168.3, 'u_mm' => 0.1, 'families' => ['steel-metric']]);
    expect($metric['candidates'][0]['size'])->toBe('168.3')->and($metric['decision'])->toBe('single');
});

it('has one diameter for one pipe, in both of its tables', function () {
    $families = ['awwa-ciod' => 'ciod', 'astm-d3034' => 'pvc-sewer', 'astm-f679' => 'pvc-sewer', 'en-545' => 'di-metric'];
    foreach ($families + ['iso-161' => 'pe-metric'] as $name => $family) {
        $table = Data::json('pipe/od-series.json')['series'][$name];
        $rows = [];
        foreach (PipeFamilies::rows($family, PipeFamilies::UNKNOWN, true) as $row) {
            $rows[$row->size] = $row->od;
        }
        foreach ($table['od'] as $size => $od) {
            expect($rows[$size])->toEqualWithDelta($od * ($table['unit'] === 'in' ? 0.0254 : 0.001), 1e-9, "{$name} {$size}");
        }
    }
});

it('judges both ends of a coupling by themselves, never by their mean', function () {
    $end = fn (float $od) => [
        'od_mm' => $od, 'od_min_mm' => $od - 0.4, 'od_max_mm' => $od + 0.4, 'u_mm' => 0.3, 'range_min_mm' => 158, 'range_max_mm' => 184,
        'surface_ok' => true,
    ];
    $fits = calc('od-range-check', ['ends' => ['a' => $end(171), 'b' => $end(171)]]);
    $one = calc('od-range-check', ['ends' => ['a' => $end(150), 'b' => $end(192)]]);
    expect($fits['verdict'])->toBe('good')->and($one['verdict'])->toBe('bad')
        ->and($one['reasons'])->toBe(['od-low', 'seals-least-across', 'od-high', 'will-not-slide-on'])
        ->and($one['ends']['a']['verdict'])->toBe('bad')->and($one['ends']['b']['verdict'])->toBe('bad');
});

it('finds a kit for every size of its tables, and none between them', function () {
    foreach (['class125' => 'size_in', 'pn10' => 'dn', 'pn16' => 'dn', 'gland' => 'size_in'] as $table => $key) {
        foreach (array_keys(Data::json('mechanical/bolt-tables.json')['tables'][$table]['rows']) as $size) {
            $asked = [$key => (float) $size, 'joints' => 1, 'spare_frac' => 0]
                + ($table === 'gland' ? ['kind' => 'gland'] : ['kind' => 'flange', 'rating' => $table]);
            $kit = calc('joint-kit', $asked);
            expect($kit['bolts_per_joint'])->toBeGreaterThan(3)->and($kit['bolts_per_joint'] % 2)->toBe(0);
        }
    }
});

it('cuts the piece between two couplings to what the gaps allow, and parks the bodies where there is room', function (
    array $changed,
    string $verdict,
    string $says,
) {
    $example = Example::shipped()['bolted-coupling'];
    $facts = $example->facts();
    $piece = [
        'top_mm' => 1250, 'bottom_mm' => 1252, 'piece_c' => 12, 'main_c' => 10, 'park' => 'on-piece', 'bare1_mm' => 0, 'bare2_mm' => 0,
        'stop' => 'none', 'cut_mm' => 1211,
    ];
    $at = $facts[2]->at;
    $value = $example->procedure->step('piece')->normalise($changed + $piece);
    array_splice($facts, 3, 0, [new Fact('piece', 'piece', $value, $at, 'Bram Ivesley', 'joiner')]);
    $line = ['closing_piece' => true] + $example->line();
    $judged = Judge::judge($example->procedure, $facts, $line, new DateTimeImmutable('2026-05-04T12:00:00+02:00'));
    $state = $judged->steps['piece'];
    expect($state->verdict->value)->toBe($verdict)->and(implode(' ', array_map(saidOf(...), $state->reasons)))->toContain($says);
})->with([
    'right' => [[], 'good', 'Cut to 1211 mm; 1131 mm to 1241 mm is right.'],
    'too short' => [['cut_mm' => 1125], 'bad', 'between 1131 mm and 1241 mm the gaps come right, best 1211 mm.'],
    'at the end of the window' => [['cut_mm' => 1132], 'close', 'near the end of what the gaps allow'],
    'ends out of square' => [['bottom_mm' => 1260], 'bad', 'the ends are not square.'],
    'too short to park both bodies' => [
        ['top_mm' => 500, 'bottom_mm' => 500, 'cut_mm' => 460],
        'bad',
        'too short to park the bodies on it.',
    ],
    'parked on the main, too little bare' => [
        ['park' => 'on-main', 'bare1_mm' => 300, 'bare2_mm' => 200],
        'bad',
        'Too little clean bare pipe',
    ],
    'a stop in the body' => [['stop' => 'fixed'], 'bad', 'A body with a fixed stop cannot be parked.'],
]);

it('says at each step of the tap under pressure what is safe from there, and never that a tool may come off unproved', function () {
    $procedure = Procedure::shipped()['tap-live-water'];
    $states = Example::shipped()['tap-live-water']->judged()->steps;
    $proved = ['piston-proved', 'piston-proved-again', 'valve-seated', 'flush-dry'];
    $seen = 0;
    foreach ($procedure->steps as $i => $step) {
        $guide = implode(' ', array_map(fn ($said) => $said->in(UnitSystem::Metric), $states[$step->key]->guide));
        if (! str_starts_with($guide, 'If you stop here: ')) {
            continue;
        }
        $seen++;
        $before = $procedure->steps[$i - 1]->key;
        if (str_contains($guide, 'take the machine off')) {
            // Before the wall is touched.
            expect(in_array($before, ['tapper-on', 'rod-under-control'], true))->toBeTrue($step->key);
        }
        if (str_contains($guide, 'closes the hole')) {
            $done = array_map(fn ($s) => $s->key, array_slice($procedure->steps, 0, $i));
            expect(array_intersect($proved, $done))->not->toBe([], $step->key);
        }
    }
    expect($seen)->toBe(29);
});

it('draws all of it as under pressure when the order was broken, and counts no proof that failed', function () {
    $example = Example::shipped()['tap-live-water'];
    $now = new DateTimeImmutable('2026-05-04T12:00:00+02:00');
    $at = fn (array $facts) => Judge::judge($example->procedure, $facts, $example->line(), $now);
    $until = fn (string $last, array $facts) => array_slice($facts, 0, array_search($last, array_column($facts, 'step'), true) + 1);
    $proved = $at($until('piston-proved', $example->facts()))->steps['tapper-off'];
    $failed = $at($until('piston-proved', $example->facts('the piston not proved')))->steps['tapper-off'];
    $broken = $at($until('tapper-off', $example->facts('the machine off before the piston was proved')))->steps['sleeve-setter-on'];
    expect($proved->figure['under'])->toBe(['main', 'piston'])->and($proved->lock)->toBeNull()
        ->and($failed->figure['under'])->toContain('tapper', 'rod')->and($failed->lock)->not->toBeNull()
        ->and($broken->figure['under'] ?? null)->toBeNull()->and($broken->lock)->not->toBeNull();
    $said = fn ($state) => implode(' ', array_map(fn ($g) => $g->in(UnitSystem::Metric), $state->guide));
    expect($said($proved))->toContain('the piston closes the hole')
        ->and($said($failed))->not->toContain('closes the hole')
        ->and($said($broken))->toContain('Keep clear')->not->toContain('closes the hole');
});

/**
 * The facts as they would be typed in inches, foot-pounds, psi and °F.
 *
 * @param  list<Fact>  $facts
 * @return list<Fact>
 */
function typedInUs(Procedure $procedure, array $facts): array
{
    $others = ['length' => 'in', 'torque' => 'ftlb', 'pressure' => 'psi', 'temperature' => 'f', 'force' => 'lbf', 'volume' => 'gal'];

    return array_map(function (Fact $fact) use ($procedure, $others): Fact {
        $step = $procedure->step($fact->step);
        $value = array_diff_key($fact->value, ['played' => 1]);
        foreach ($step->fields as $field) {
            $other = $others[$field->quantity?->value ?? ''] ?? null;
            if ($other === null || ! isset($value[$field->key])) {
                continue;
            }
            $bare = preg_replace('/_[a-z0-9]+$/', '', $field->key);
            $from = Unit::of($field->quantity, substr($field->key, strlen((string) $bare) + 1));
            $value["{$bare}_{$other}"] = Unit::of($field->quantity, $other)->fromSi($from->toSi((float) $value[$field->key]));
            unset($value[$field->key]);
        }
        if (isset($value['torque_nm']) && $step->kind->name() === 'bolts') {
            $value['torque_ftlb'] = Unit::of(Quantity::Torque, 'ftlb')->fromSi($value['torque_nm']);
            unset($value['torque_nm']);
        }

        return new Fact($fact->id, $fact->step, $step->normalise($value), $fact->at, $fact->by, $fact->role);
    }, $facts);
}

const MECHANICAL = [
    'bolted-coupling', 'bolted-coupling-film', 'wrap-clamp', 'telescoping-repair', 'positive-stop-coupling', 'flange-joint',
    'flange-joint-settled', 'flange-adaptor', 'gland-joint', 'gland-restrained', 'stab-fitting', 'composite-connector', 'tap-dry',
    'tap-live-water', 'gas-saddle', 'leak-found',
];

it('judges each mechanical joint the same when it is typed in inches, foot-pounds and psi', function (string $id) {
    $example = Example::shipped()[$id];
    $now = new DateTimeImmutable('2026-05-05T08:00:00+02:00');
    $verdicts = fn ($judgement) => array_map(fn ($s) => $s->verdict->value, $judgement->steps);
    foreach ([null, ...array_column($example->others(), 'name')] as $name) {
        $facts = $example->facts($name);
        $metric = Judge::judge($example->procedure, $facts, $example->line(), $now);
        $us = Judge::judge($example->procedure, typedInUs($example->procedure, $facts), $example->line(), $now);
        expect($verdicts($us))->toBe($verdicts($metric), "{$id}, {$name}");
    }
})->with(MECHANICAL);

it('judges a joint the same when its two ends are swapped', function (string $id) {
    $example = Example::shipped()[$id];
    $now = new DateTimeImmutable('2026-05-05T08:00:00+02:00');
    $turned = ['@a' => '@b', '@b' => '@a'];
    $byEnd = ['mark_a_mm' => 'mark_b_mm', 'mark_b_mm' => 'mark_a_mm', 'covered_a' => 'covered_b', 'covered_b' => 'covered_a'];
    foreach ([null, ...array_column($example->others(), 'name')] as $name) {
        $facts = $example->facts($name);
        $swapped = array_map(function (Fact $fact) use ($turned, $byEnd): Fact {
            $value = array_combine(array_map(fn ($k) => $byEnd[$k] ?? $k, array_keys($fact->value)), $fact->value);

            return new Fact($fact->id, strtr($fact->step, $turned), $value, $fact->at, $fact->by, $fact->role);
        }, $facts);
        $one = Judge::judge($example->procedure, $facts, $example->line(), $now);
        $two = Judge::judge($example->procedure, $swapped, $example->line(), $now);
        foreach ($one->steps as $key => $state) {
            expect($two->steps[strtr($key, $turned)]->verdict)->toBe($state->verdict, "{$id}, {$name}: {$key}");
        }
    }
})->with(['bolted-coupling', 'bolted-coupling-film', 'positive-stop-coupling']);
