<?php

declare(strict_types=1);

use Diastoma\Core\Programme\ActTime;
use Diastoma\Core\Programme\Shift;
use Diastoma\Core\Refused;

/* When hands work, by the clock of the place; and which of the times of an act counts. Worked by hand. */

function shift(array $days = [1, 2, 3, 4, 5], ?array $break = [720, 750], string $zone = 'Europe/Vienna'): Shift
{
    return new Shift(420, 990, $break, $days, new DateTimeZone($zone));
}

/** @return list<array{float, float}> hours from now */
function restHours(Shift $shift, string $now, int $days): array
{
    return array_map(
        fn (array $pause): array => [round($pause[0] / 3600, 4), round($pause[1] / 3600, 4)],
        array_slice($shift->pauses(new DateTimeImmutable($now), $days), 0, -1),
    );
}

it('rests before the shift, over the pause and in the night, in one piece from evening to morning', function () {
    // Thursday 06:00 at the place: work 07:00 to 12:00 and 12:30 to 16:30.
    expect(restHours(shift(), '2026-03-05T06:00:00+01:00', 2))->toBe([[0.0, 1.0], [6.0, 6.5], [10.5, 25.0], [30.0, 30.5]])
        ->and(restHours(shift(), '2026-03-05T12:10:00+01:00', 1))->toBe([[0.0, 0.3333]])
        // Now exactly the end of the shift: nobody works any more today.
        ->and(restHours(shift(), '2026-03-05T16:30:00+01:00', 2))->toBe([[0.0, 14.5], [19.5, 20.0]])
        ->and(restHours(shift(break: null), '2026-03-05T07:00:00+01:00', 2))->toBe([[9.5, 24.0]]);
});

it('has room for a test that is over before work ends, to the minute, and none for one that is longer than a day of work', function () {
    $room = fn (string $at, float $hours): ?string => shift()->roomFor(new DateTimeImmutable($at), 3600 * $hours)?->format('D H:i');
    // Thursday; a pause is no end of it, for hands take turns.
    expect($room('2026-03-05T10:00:00+01:00', 6.5))->toBe('Thu 10:00')
        ->and($room('2026-03-05T10:01:00+01:00', 6.5))->toBe('Fri 07:00')
        ->and($room('2026-03-05T05:00:00+01:00', 2))->toBe('Thu 07:00')
        ->and($room('2026-03-06T15:00:00+01:00', 2))->toBe('Mon 07:00')
        ->and($room('2026-03-05T10:00:00+01:00', 9.5))->toBe('Fri 07:00')
        ->and($room('2026-03-05T10:00:00+01:00', 9.6))->toBeNull()
        // Nothing takes no time: whenever somebody works.
        ->and($room('2026-03-05T16:30:00+01:00', 0))->toBe('Thu 16:30');
});

it('rests on days on which nobody works, and by the clock of the place when that is changed', function () {
    // Friday noon to Monday morning, and the clock is put forward on Sunday 29 March 2026.
    expect(restHours(shift(), '2026-03-27T13:00:00+01:00', 4))->toBe([[3.5, 65.0], [70.0, 70.5]])
        ->and(restHours(shift(), '2026-03-20T13:00:00+01:00', 4))->toBe([[3.5, 66.0], [71.0, 71.5]])
        // The same moment written with another offset: the same rest.
        ->and(restHours(shift(), '2026-03-20T12:00:00Z', 4))->toBe([[3.5, 66.0], [71.0, 71.5]]);
});

it('rests while it rains, and longer where the shift is over by then', function () {
    $rains = fn (float $hours): array => array_map(
        fn (array $pause): array => [$pause[0] / 3600, $pause[1] / 3600],
        array_slice(shift()->pauses(new DateTimeImmutable('2026-03-05T08:00:00+01:00'), 2, $hours * 3600), 0, -1),
    );
    expect($rains(0.0))->toBe([[4.0, 4.5], [8.5, 23.0], [28.0, 28.5]])
        ->and($rains(2.0))->toBe([[0.0, 2.0], [4.0, 4.5], [8.5, 23.0], [28.0, 28.5]])
        ->and($rains(4.0))->toBe([[0.0, 4.5], [8.5, 23.0], [28.0, 28.5]])
        ->and($rains(10.0))->toBe([[0.0, 23.0], [28.0, 28.5]]);
});

it('plans nothing beyond the days that are looked at', function () {
    $pauses = shift()->pauses(new DateTimeImmutable('2026-03-05T06:00:00+01:00'), 1);
    expect(end($pauses)[1])->toBeGreaterThan(1e8);
    $none = shift([7])->pauses(new DateTimeImmutable('2026-03-05T06:00:00+01:00'), 1);
    expect($none)->toHaveCount(1)->and($none[0][0])->toBe(0.0);
});

it('says when somebody works again', function () {
    $next = fn (string $at): ?string => shift()->workFrom(new DateTimeImmutable($at))?->format('D H:i');
    expect($next('2026-03-05T09:00:00+01:00'))->toBe('Thu 09:00')
        ->and($next('2026-03-05T12:10:00+01:00'))->toBe('Thu 12:30')
        ->and($next('2026-03-05T16:30:00+01:00'))->toBe('Fri 07:00')
        ->and($next('2026-03-06T18:05:00+01:00'))->toBe('Mon 07:00')
        ->and(shift()->endOf(new DateTimeImmutable('2026-03-07T10:00:00+01:00')))->toBeNull()
        ->and(shift()->endOf(new DateTimeImmutable('2026-03-05T23:30:00Z'))?->format('D H:i'))->toBe('Fri 16:30');
});

it('refuses a shift that ends before it begins, and a pause that is not inside', function (array $in) {
    [$from, $to, $break] = $in;
    expect(fn () => new Shift($from, $to, $break, [1], new DateTimeZone('UTC')))->toThrow(Refused::class);
})->with([[[600, 600, null]], [[600, 500, null]], [[420, 990, [400, 500]]], [[420, 990, [900, 1000]]], [[420, 990, [750, 750]]]]);

it('takes what is known best: typed, read, of the crew, of the text; and of nothing it makes nothing', function () {
    $read = ['min' => 15.0, 'source' => 'the label', 'certainty' => 'project'];
    $text = ['min' => 20.0, 'source' => 'start value', 'certainty' => 'practice'];
    $pace = ['cool_min' => 18.0, 'cool_joints' => 4];
    $best = fn (?float $typed, ?array $told, array $pace): array => array_slice(
        ActTime::best('cool', $typed, $told, $pace)->toArray(), 1, 3,
    );
    expect($best(5.0, $read, $pace))->toBe(['min' => 5.0, 'from' => 'typed', 'joints' => 0])
        ->and($best(0.0, $read, $pace))->toBe(['min' => 0.0, 'from' => 'typed', 'joints' => 0])
        ->and($best(null, $read, $pace))->toBe(['min' => 15.0, 'from' => 'read', 'joints' => 0])
        ->and($best(null, $text, $pace))->toBe(['min' => 18.0, 'from' => 'crew', 'joints' => 4])
        ->and($best(null, $text, ['cool_min' => null, 'cool_joints' => 0]))->toBe(['min' => 20.0, 'from' => 'text', 'joints' => 0])
        ->and($best(null, null, []))->toBe(['min' => null, 'from' => null, 'joints' => 0]);
});
