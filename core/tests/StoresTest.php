<?php

declare(strict_types=1);

use Diastoma\Core\Data;
use Diastoma\Core\Refused;
use Diastoma\Core\Stores\StoreKind;
use Diastoma\Core\Units\UnitSystem;

/*
 * Cards, instruments and layouts: what the stores say of a thing on a day. A date is the last day on which a thing is
 * good, by the calendar of the place (common practice of calibration labels and cards).
 */

/** @return array{verdict: string, reasons: list<array<string, mixed>>} */
function standing(string $kind, array $values, string $now = '2026-05-04T10:00:00Z', string $zone = 'Europe/Vienna'): array
{
    $thing = StoreKind::of($kind);

    return $thing
        ->judged($thing->checked($values), new DateTimeImmutable($now), $zone)
        ->toArray(UnitSystem::Metric, new DateTimeZone($zone))['steps'][0];
}

it('counts the days of a date by the calendar of the place', function (string $now, string $zone, string $verdict, string $text) {
    $said = standing('fusion-box', ['due_on' => '2026-05-04', 'efficiency' => 0.85, 'power_factor' => 0.8], $now, $zone);
    expect($said['verdict'])->toBe($verdict)->and($said['reasons'][0]['text'])->toBe($text);
})->with([
    'long before' => ['2026-01-04T10:00:00Z', 'Europe/Vienna', 'good', 'Calibrated until 2026-05-04, 120 days more.'],
    'the last day, late in the evening there' => [
        '2026-05-04T21:30:00Z',
        'Europe/Vienna',
        'good',
        'Calibrated until 2026-05-04, 0 days more.',
    ],
    'the day after there, still the last day in Greenwich' => [
        '2026-05-04T22:30:00Z',
        'Europe/Vienna',
        'bad',
        'Calibration was due on 2026-05-04.',
    ],
    'the same moment farther west' => ['2026-05-04T22:30:00Z', 'America/Chicago', 'good', 'Calibrated until 2026-05-04, 0 days more.'],
]);

it('never calls good what has no date', function (string $kind, array $values) {
    expect(standing($kind, $values)['verdict'])->toBe('open');
})->with([
    ['fusion-box', ['efficiency' => 0.85, 'power_factor' => 0.8]],
    ['circumference-tape', []],
    ['peeling-tool', ['blade_on' => '2026-05-01']],
    ['operator-card', ['works' => 'electrofusion']],
    ['tool', []],
    ['pressure-gauge', ['reads_to_kpa' => 2500]],
    ['pressure-logger', []],
    ['clamp-set', ['dn_min_mm' => 63, 'dn_max_mm' => 225]],
]);

it('says which layout of a code counts', function (array $more, string $verdict) {
    $layout = array_intersect_key(Data::json('codes/practice.json'), ['fields' => 1]);
    expect(standing('code-layout', ['layout' => $layout, 'practice' => false] + $more)['verdict'])->toBe($verdict);
    expect(standing('code-layout', ['practice' => true, 'layout' => $layout] + $more)['reasons'][0]['text'])->toContain('For practice');
})->with([
    'nobody' => [[], 'open'],
    'confirmed only' => [['confirmed_by' => 'the engineer'], 'open'],
    'proved only' => [['proved_on' => 'three fittings'], 'open'],
    'confirmed and proved' => [['confirmed_by' => 'the engineer', 'proved_on' => 'three fittings'], 'good'],
]);

it('names every fault of a layout at once', function () {
    $layout = [
        'fields' => [
            'dn_mm' => ['from' => 7, 'to' => 9],
            'voltage_v' => ['from' => 9, 'to' => 12],
            'time' => ['from' => 22, 'to' => 24],
            'resistance_mantissa' => ['from' => 15, 'to' => 13],
        ],
    ];
    try {
        StoreKind::of('code-layout')->checked(['layout' => $layout, 'practice' => false]);
        $said = [];
    } catch (Refused $refused) {
        $said = array_column($refused->faults, 'message');
    }
    expect($said)->toBe([
        'Which digits hold what: digit 9 belongs to dn_mm already, voltage_v takes it too.',
        'Which digits hold what: time needs from and to, digits 1 to 23.',
        'Which digits hold what: resistance_mantissa needs from and to, digits 1 to 23.',
    ]);
});

it('asks of each kind only what the engine can judge, in whole sentences', function (string $kind) {
    $raw = StoreKind::all()[$kind]->raw;
    expect($raw['note'])->toEndWith('.')->and($raw['plural'])->not->toBe('');
    foreach ($raw['judge'] as $item) {
        foreach ($item['say'] as $say) {
            expect($say['text'])->toMatch('/[.]$/');
        }
    }
    // A thing of which nothing at all is known beyond what must be given is never good.
    $least = [];
    foreach ($raw['fields'] as $field) {
        if (! ($field['optional'] ?? false)) {
            $least[$field['key']] = match ($field['type'] ?? 'number') {
                'yesno' => false,
                'layout' => array_intersect_key(Data::json('codes/practice.json'), ['fields' => 1]),
                'text' => 'x',
                'choice' => $field['options'][0]['value'],
                default => (float) ($field['preset'] ?? ($field['min'] ?? 1)),
            };
        }
    }
    expect(standing($kind, $least)['verdict'])->not->toBe('good');
})->with(fn () => array_keys(StoreKind::all()));

it('knows what is a means of the days to come', function () {
    $means = array_filter(array_map(fn (StoreKind $kind) => $kind->means, StoreKind::all()));
    ksort($means);
    expect($means)->toBe(['clamp-set' => 'clamps', 'fusion-box' => 'boxes']);
});
