<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Units\UnitSystem;

require_once __DIR__.'/helpers.php';

/** @return list<string> */
function inWords(string $procedure, string $step, array $value, UnitSystem $units = UnitSystem::Metric): array
{
    return (new Words($units, new DateTimeZone('Europe/Vienna')))->of(Procedure::shipped()[$procedure]->step($step), $value);
}

it('says what was recorded as a person reads it', function (string $id, string $step, array $value, array $metric, ?array $us = null) {
    expect(inWords($id, $step, $value))->toBe($metric)->and(inWords($id, $step, $value, UnitSystem::Us))->toBe($us ?? $metric);
})->with([
    'figures with their units, answers, the remark' => [
        'ef-coupler-one-pass', 'conditions',
        ['air_c' => 14.0, 'rh_pct' => 60.0, 'rain' => false, 'remark' => ' Taken over from Joint 4. '],
        ['Air: 14.0 °C', 'Humidity: 60.0 %', 'Rain or snow: no', 'Taken over from Joint 4.'],
        ['Air: 57.2 °F', 'Humidity: 60.0 %', 'Rain or snow: no', 'Taken over from Joint 4.'],
    ],
    'things out of the stores' => ['pe-viscoelastic', 'instruments', instruments(), ['Gauge: Gauge 1', 'Logger: Logger 1']],
    'a minute of a log' => ['pe-viscoelastic', 'phases', ['raise_from_min' => 61.0], ['Raise began (line at rest before): 61 min']],
    'a round' => [
        'pvc-spigot-socket', 'gap',
        ['readings' => [['clock' => '12:00', 'value_mm' => 1.5], ['clock' => '3:00', 'value_mm' => 2.0]]],
        ['Gap: 12:00 1.5 mm, 3:00 2.0 mm'], ['Gap: 12:00 0.059 in, 3:00 0.079 in'],
    ],
    'a log out of a file, in the time of the place' => [
        'pe-viscoelastic', 'log',
        ['samples' => [[2, 0], [64, 900]], 'first_at' => '2026-05-04T08:00:00Z', 'source' => 'file', 'file' => 'kelder.csv'],
        ['2 readings over 62 min', 'from 4 May 2026, 10:00', 'out of the file kelder.csv'],
    ],
    'a log that a stand-in played' => [
        'pe-viscoelastic', 'log', ['samples' => [], 'source' => 'stand-in'], ['0 readings', 'played by the stand-in of the device'],
    ],
    'a signature' => ['pe-viscoelastic', 'sign-engineer', ['signed' => true], ['Signed']],
    'a refusal' => ['pe-viscoelastic', 'sign-engineer', ['signed' => false, 'remark' => 'no chart'], ['Not signed', 'no chart']],
]);

it('has words for all that the examples record: a label and a figure for each field', function (string $id) {
    $example = Example::shipped()[$id];
    foreach ($example->facts() as $fact) {
        $step = $example->judged()->procedure->step($fact->step);
        $said = (new Words(UnitSystem::Bar, new DateTimeZone('Europe/Vienna')))->of($step, $fact->value);
        expect($said)->not->toBe([], $fact->step);
        foreach ($said as $words) {
            // No key and no bare truth of the machine.
            expect($words)->not->toMatch('/_(mm|c|min|kpa|l|h|s)\b|\b(true|false|null|Array)\b|[{}]|: $/', $fact->step);
        }
    }
})->with(fn () => array_keys(Example::shipped()));
