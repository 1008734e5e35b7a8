<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Electrofusion\TraceFile;
use Diastoma\Core\PressureTest\CleanLog;
use Diastoma\Core\PressureTest\LoggerCsv;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Simulation\Noise;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

/*
 * Whatever comes, the answer is a judgement or a sentence: never a crash, never a warning, never good.
 */
const ODD = [
    null,
    true,
    false,
    0,
    -1,
    1,
    7.5,
    1e9,
    -1e9,
    1e-12,
    '',
    ' ',
    '0',
    '-',
    '12',
    '12,5',
    '1 2',
    '4 1/8 in',
    '99999999999999999999',
    'NaN',
    '∞',
    "a\0b",
    'é',
    '2026-05-04T10:00:00+02:00',
    '2026-02-30',
    [],
    [1],
    [[1, 2, 3]],
    ['a' => 1],
    [['clock' => '12', 'value_mm' => 1]],
];

function odd(Noise $noise): mixed
{
    return ODD[(int) floor(($noise->uniform() + 1) / 2 * (count(ODD) - 1e-9))] ?? null;
}

it('takes odd entries at each step with a sentence, or stores and judges them without falling over', function (string $id) {
    $procedure = Procedure::shipped()[$id];
    $noise = new Noise(crc32($id) % 1000);
    $now = new DateTimeImmutable('2026-05-04T12:00:00Z');
    $line = [
        'dn_mm' => 110,
        'od_mm' => 110,
        'sdr' => 11,
        'wall_mm' => 10.0,
        'service' => 'water',
        'time_zone' => 'Europe/Vienna',
        'sides' => [],
    ];
    $stored = 0;
    for ($round = 0; $round < 60; $round++) {
        $facts = [];
        foreach ($procedure->steps as $step) {
            $value = [];
            foreach ($step->fields as $field) {
                // Several questions at once would hardly ever be all answered by accident, and nothing be stored.
                $value[$field->key] = $field->type === 'yesno' && $noise->uniform() > 0 ? $noise->uniform() > 0 : odd($noise);
            }
            if ($step->kind->name() === 'round') {
                $value = [
                    'readings' => array_map(fn ($clock) => ['clock' => $clock, $step->fields[0]->key => odd($noise)], [
                        ...$step->kind->positions,
                        '25:00',
                    ]),
                ];
                $value['readings'] = array_slice($value['readings'], 0, (int) (abs($noise->uniform()) * 6));
            } elseif ($step->kind->name() === 'trace') {
                $value = [
                    'trace' => '11111111-1111-4111-8111-111111111111',
                    'part' => 0,
                    'final' => odd($noise),
                    'samples' => [[0, odd($noise), odd($noise)], [odd($noise), 1, 1], [9, 1, odd($noise)]],
                    'ended_at' => odd($noise),
                    'cold_r_ohm' => odd($noise),
                ];
            } elseif ($step->kind->name() === 'hold') {
                $value = ['signed' => odd($noise), 'remark' => odd($noise)];
            }
            try {
                $facts[] = new Fact("f{$round}{$step->key()}", $step->key(), $step->normalise($value), $now);
                $stored++;
            } catch (Refused $refused) {
                $dumb = array_filter($refused->faults, fn (array $fault) => $fault['field'] === '' || mb_strlen($fault['message']) <= 8);
                expect($refused->faults)->not->toBe([])->and($dumb)->toBe([]);
            }
        }
        $judgement = Judge::judge($procedure, $facts, $line, $now);
        expect(json_encode($judgement->toArray(UnitSystem::Us, new DateTimeZone('Europe/Vienna'))))
            ->toBeString()
            ->and($judgement->verdict)
            ->not->toBe(Verdict::Good);
    }
    expect($stored)->toBeGreaterThan(0);
})->with(array_keys(Procedure::shipped()));

it('judges half a joint without falling over, whatever half it is', function () {
    $procedure = Procedure::shipped()['ef-coupler-one-pass'];
    $noise = new Noise(5);
    $line = ['dn_mm' => 110, 'sdr' => 11, 'wall_mm' => 10.0, 'service' => 'water', 'time_zone' => 'UTC', 'sides' => []];
    $all = couplerFacts();
    for ($round = 0; $round < 80; $round++) {
        $facts = [];
        foreach ($all as $key => $value) {
            if ($noise->uniform() > 0) {
                $facts[] = new Fact($key, $key, $procedure->step($key)->normalise($value), new DateTimeImmutable('2026-05-04T09:00:00Z'));
            }
        }
        shuffle($facts);
        $judgement = Judge::judge($procedure, $facts, $round % 3 === 0 ? [] : $line, new DateTimeImmutable('2026-05-04T12:00:00Z'));
        expect($judgement->toArray())->toBeArray();
        if (count($facts) < count($all)) {
            expect($judgement->verdict)->not->toBeIn([Verdict::Good, Verdict::Close]);
        }
    }
});

it('answers odd inputs of every calculation with a sentence or with numbers that are numbers', function () {
    $noise = new Noise(11);
    $registry = Registry::standard();
    $finite = function (mixed $value) use (&$finite): bool {
        return is_array($value) ? array_filter($value, fn ($v) => ! $finite($v)) === [] : (! is_float($value) || is_finite($value));
    };
    foreach (acceptedExamples() as $name => $in) {
        for ($k = 0; $k < 25; $k++) {
            $odd = $in;
            foreach (array_keys($in) as $key) {
                if ($noise->uniform() > 0.3) {
                    $odd[$key] = odd($noise);
                }
            }
            try {
                expect($finite($registry->run($name, $odd)))->toBeTrue("{$name} ".json_encode($odd));
            } catch (Refused $refused) {
                expect($refused->getMessage())->toMatch('/[.?!]$/', $name);
            }
        }
    }
});

it('reads files cut, doubled or muddled with a sentence', function () {
    $csv =
        "time;pressure [kPa];added [L]\n".
        implode("\n", array_map(fn ($m) => sprintf('2026-05-04 10:%02d:00;%s;%s', $m, 900 - $m / 10, $m), range(0, 59)));
    $trace = "time [s];voltage [V];current [A]\n".implode("\n", array_map(fn ($s) => "{$s};39.5;24.7", range(0, 59)));
    $noise = new Noise(3);
    for ($k = 0; $k < 300; $k++) {
        foreach ([$csv, $trace] as $text) {
            $at = (int) (abs($noise->uniform()) * strlen($text));
            $text = match ($k % 5) {
                0 => substr($text, 0, $at),
                1 => substr($text, $at),
                2 => substr_replace($text, chr(32 + $k % 90), $at, 1),
                3 => substr($text, 0, $at).substr($text, max(0, $at - 40)),
                default => str_replace((string) ($k % 10), '', $text),
            };
            foreach ([fn () => CleanLog::of(LoggerCsv::read($text))->summary(), fn () => TraceFile::read($text)] as $read) {
                try {
                    expect($read())->toBeArray();
                } catch (Refused $refused) {
                    expect($refused->firstField())->not->toBe('');
                }
            }
        }
    }
});
