<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\JudgeFromJson;
use Diastoma\Core\Refused;

/* A time that cannot be is never the ground of a good verdict. */

/** @param  array<string, mixed>  $line */
function judgedPipes(string $at, array $line = [], ?string $received = null, string $now = '2026-05-04T12:00:00+02:00'): array
{
    $fact = ['step' => 'pipes', 'value' => ['pipe_a' => '1', 'pipe_b' => '2'], 'at' => $at];
    $judged = JudgeFromJson::read([
        'procedure' => 'pvc-spigot-socket',
        'line' => $line + ['time_zone' => 'Europe/Vienna'],
        'facts' => [$fact + ($received === null ? [] : ['received' => $received])],
        'now' => $now,
    ])->judged();
    $state = $judged->steps['pipes'];

    return [$state->verdict->value, ($state->reasons[0] ?? null)?->text->in(Diastoma\Core\Units\UnitSystem::Metric) ?? ''];
}

it('tolerates two minutes between clocks, and no second more', function () {
    expect(judgedPipes('2026-05-04T12:02:00+02:00')[0])->toBe('good')
        ->and(judgedPipes('2026-05-04T12:02:01+02:00')[0])->toBe('open')
        ->and(judgedPipes('2026-05-04T12:02:01+02:00')[1])->toContain('had not come yet when it arrived');
});

it('holds it against its arrival, so that it does not become true by waiting', function () {
    $judged = fn (string $received) => judgedPipes('2026-05-04T12:00:00+02:00', received: $received, now: '2026-06-01T00:00:00Z')[0];
    expect($judged('2026-05-04 09:58:00.000'))->toBe('good')->and($judged('2026-05-04 09:57:59.999'))->toBe('open');
});

it('knows the day on which work began by the midnight of the place', function () {
    $line = ['begun_on' => '2026-05-04'];
    expect(judgedPipes('2026-05-04T00:00:00+02:00', $line)[0])->toBe('good')
        ->and(judgedPipes('2026-05-03T23:59:59+02:00', $line)[0])->toBe('open')
        // The same moment, written in another zone.
        ->and(judgedPipes('2026-05-03T22:00:00Z', $line)[0])->toBe('good')
        ->and(judgedPipes('2026-05-03T23:59:59+02:00', $line)[1])->toContain('began on 4 May 2026')
        // Nobody said it, or what was said is no day: nothing is known, and nothing is held against it.
        ->and(judgedPipes('2020-05-03T23:59:59+02:00')[0])->toBe('good')
        ->and(judgedPipes('2020-05-03T23:59:59+02:00', ['begun_on' => null])[0])->toBe('good');
});

it('lets who practises set the clock on', function () {
    $line = ['practice' => true, 'begun_on' => '2026-05-04'];
    expect(judgedPipes('2026-05-04T18:00:00+02:00', $line)[0])->toBe('good')
        ->and(judgedPipes('2026-05-01T18:00:00+02:00', $line)[0])->toBe('good')
        // Only where it is said in so many words.
        ->and(judgedPipes('2026-05-04T18:00:00+02:00', ['practice' => 'yes'])[0])->toBe('open');
});

it('refuses a time of arrival that cannot be read', function () {
    judgedPipes('2026-05-04T12:00:00+02:00', received: 'yesterday');
})->throws(Refused::class, 'facts: received must be a time');
