<?php

declare(strict_types=1);

use Diastoma\Core\PressureTest\LoggerCsv;
use Diastoma\Core\Procedure\Evidence;

require_once __DIR__.'/helpers.php';

/* Does a file of a device belong to the work that it is to prove? The allowances are common practice. */

/** @param  array<string, mixed>  $but */
function doubts(array $but = []): array
{
    $is = $but + [
        'first' => '2026-05-04T08:00:00+02:00',
        'last' => '2026-05-04T10:00:00+02:00',
        'lasts' => 7200.0,
        'now' => '2026-05-04T12:00:00+02:00',
        'begun' => '2026-05-04T07:30:00+02:00',
        'after' => ['name' => 'Joint 12', 'at' => '2026-05-03T15:00:00+02:00'],
        'wanted' => null,
        'used' => [],
    ];
    $at = fn (?string $text) => $text === null ? null : new DateTimeImmutable($text);
    $after = $is['after'] === null ? null : ['name' => $is['after']['name'], 'at' => $at($is['after']['at'])];

    return (new Evidence($at($is['first']), $at($is['last']), $is['lasts']))
        ->doubts($at($is['now']), $at($is['begun']), $after, $is['wanted'], $is['used']);
}

it('has nothing against a file of that day', fn () => expect(doubts())->toBe([]));

it('says what does not fit', function (array $but, array $says) {
    expect(doubts($but))->toBe($says);
})->with([
    'ends when it is not yet that time' => [
        ['now' => '2026-05-04T09:00:00+02:00'],
        ['It ends on 4 May 2026, 10:00, and now it is 4 May 2026, 09:00.'],
    ],
    'two clocks a few minutes apart' => [['now' => '2026-05-04T09:55:00+02:00'], []],
    'a second more' => [
        ['now' => '2026-05-04T09:54:59+02:00'],
        ['It ends on 4 May 2026, 10:00, and now it is 4 May 2026, 09:54.'],
    ],
    'of last year' => [
        ['first' => '2025-05-04T08:00:00+02:00', 'last' => '2025-05-04T10:00:00+02:00', 'after' => null],
        ['It ends on 4 May 2025, 10:00, and this work was begun on 4 May 2026, 07:30.'],
    ],
    'of the evening before' => [['last' => '2026-05-03T16:00:00+02:00', 'first' => '2026-05-03T15:30:00+02:00'], []],
    'older than a joint of the section' => [
        ['after' => ['name' => 'Joint 12', 'at' => '2026-05-04T09:10:00+02:00']],
        ['It begins on 4 May 2026, 08:00, and Joint 12 was made on 4 May 2026, 09:10.'],
    ],
    'other zones, the same moment' => [['after' => ['name' => 'Joint 12', 'at' => '2026-05-04T06:05:00Z']], []],
    'as long as it should be' => [['lasts' => 241.0, 'wanted' => 240.0], []],
    'at the edge of what a start and an end may take' => [['lasts' => 252.0, 'wanted' => 240.0], []],
    'of another fitting' => [['lasts' => 402.0, 'wanted' => 240.0], ['It lasts 402 s, and 240 s are wanted here.']],
    'short ones differ by seconds' => [['lasts' => 43.0, 'wanted' => 40.0], []],
    'used elsewhere' => [
        ['used' => ['Joint 30 of Kelder Lane main', 'Joint 31 of Kelder Lane main']],
        ['The same readings are recorded already at Joint 30 of Kelder Lane main, Joint 31 of Kelder Lane main.'],
    ],
    'without dates only its length and its readings speak' => [
        ['first' => null, 'last' => null, 'lasts' => 100.0, 'wanted' => 240.0],
        ['It lasts 100 s, and 240 s are wanted here.'],
    ],
    'nothing is known of the work' => [['begun' => null, 'after' => null], []],
]);

it('reads from a logger whether its clock says its zone', function (string $time, bool $zoned) {
    expect(LoggerCsv::read("time;pressure [bar]\n{$time};8.1\n")->hasZone)->toBe($zoned);
})->with([
    ['2026-05-04 14:10:00', false],
    ['04.05.2026 14:10', false],
    ['2026-05-04T14:10:00Z', true],
    ['2026-05-04T14:10:00+02:00', true],
    ['1777903800', true],
    ['1777903800000', true],
    ['46146.59', false],
]);
