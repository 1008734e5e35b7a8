<?php

declare(strict_types=1);

use Diastoma\Core\Bolting\WrenchCsv;
use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

/* Readings of a torque wrench: out of its file, by its stand-in. */

function wrenchFile(): string
{
    return (string) file_get_contents(dirname(__DIR__, 2).'/examples/wrench.csv');
}

/** @return list<array{bolt: int, pass: int, torque_nm: float, time: string}> */
function wrenchRead(string $csv): array
{
    return WrenchCsv::read($csv, new DateTimeZone('Europe/Vienna'));
}

it('reads what a wrench kept, at the time of the place', function () {
    $read = wrenchRead(wrenchFile());
    expect($read)->toHaveCount(12)
        ->and($read[0])->toBe(['bolt' => 1, 'pass' => 1, 'torque_nm' => 47.5, 'time' => '2026-05-04T10:01:00+02:00']);
});

it('gives the same readings in whatever order the lines stand, and under whatever unit', function () {
    $lines = explode("\n", trim(wrenchFile()));
    $heading = array_shift($lines);
    mt_srand(7);
    shuffle($lines);
    expect(wrenchRead($heading."\n".implode("\n", $lines)))->toBe(wrenchRead(wrenchFile()));
    // 1 N·m is 0.7375621493 ft-lb (NIST SP 811).
    $us = preg_replace_callback('/^(\d;\d;)([\d.]+)/m', fn (array $m) => $m[1].round((float) $m[2] * 0.7375621493, 9), wrenchFile());
    $inFeet = wrenchRead(str_replace('[N·m]', '[ft-lb]', (string) $us));
    expect(array_column($inFeet, 'torque_nm'))->toEqualWithDelta(array_column(wrenchRead(wrenchFile()), 'torque_nm'), 1e-6);
});

it('counts the passes itself where the wrench knows none', function () {
    $without = preg_replace('/^([^;]+);[^;]+;/m', '$1;', wrenchFile());
    expect(wrenchRead((string) $without))->toBe(wrenchRead(wrenchFile()));
});

it('refuses a file that it cannot read whole, naming the line', function (string $csv, string $field, string $says) {
    try {
        wrenchRead($csv);
        $named = $said = null;
    } catch (Refused $refused) {
        [$named, $said] = [$refused->firstField(), $refused->getMessage()];
    }
    expect($named)->toBe($field)->and($said)->toContain($says);
})->with([
    'nothing in it' => ['', 'file', 'no reading'],
    'another file' => ["time;pressure [bar]\n1;2", 'file', 'no column "bolt"'],
    'no unit' => ["bolt;torque;time\n1;90;2026-05-04 10:00:00", 'unit', 'names no unit of torque'],
    'a word for a torque' => ["bolt;torque [Nm];time\n1;tight;2026-05-04 10:00:00", 'torque', 'line 2: "tight" is no number'],
    'no bolt 0' => ["bolt;torque [Nm];time\n0;90;2026-05-04 10:00:00", 'bolt', 'line 2: "0"'],
    'half a bolt' => ["bolt;torque [Nm];time\n1.5;90;2026-05-04 10:00:00", 'bolt', 'line 2'],
    'a time that is none' => ["bolt;torque [Nm];time\n1;90;yesterday", 'time', '"yesterday" is no time'],
    'a month that is none' => ["bolt;torque [Nm];time\n1;90;2026-13-04 10:00:00", 'time', 'is no time that there is'],
    'a picture' => ["\0\1\2", 'file', 'no text'],
]);

it('judges a joint from the file of its wrench as from what was typed', function () {
    $example = Example::shipped()['bolted-coupling'];
    $typed = array_values(array_filter($example->facts(), fn (Fact $f) => $f->step !== 'bolts' && $f->step !== 'accept'));
    $step = $example->procedure->step('bolts');
    $fromFile = array_map(fn (array $r) => new Fact(
        "f{$r['pass']}-{$r['bolt']}",
        'bolts',
        $step->normalise(['source' => 'file'] + array_diff_key($r, ['time' => true])),
        new DateTimeImmutable($r['time']),
        'Bram Ivesley',
        'joiner',
    ), wrenchRead(wrenchFile()));
    $judged = fn (array $line) => Judge::judge(
        $example->procedure,
        [...$typed, ...$fromFile],
        $line + $example->line(),
        new DateTimeImmutable('2026-05-04T12:00:00+02:00'),
    );
    expect($judged([])->steps['bolts']->verdict)->toBe(Verdict::Good)
        ->and(saying($judged(['practice' => false])))->not->toContain('stand-in');
});

it('calls nothing good that the stand-in of the wrench played, except for practice', function (bool $practice, Verdict $verdict) {
    $example = Example::shipped()['bolted-coupling'];
    $facts = array_map(fn (Fact $f) => $f->step !== 'bolts' ? $f : new Fact(
        $f->id,
        $f->step,
        ['source' => 'stand-in'] + $f->value,
        $f->at,
        $f->by,
        $f->role,
    ), $example->facts());
    $now = new DateTimeImmutable(end($facts)->at->format(Known::TIME));
    $judged = Judge::judge($example->procedure, $facts, ['practice' => $practice] + $example->line(), $now);
    expect($judged->steps['bolts']->verdict)->toBe($verdict);
})->with([[true, Verdict::Good], [false, Verdict::Open]]);
