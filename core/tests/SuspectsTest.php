<?php

declare(strict_types=1);

use Diastoma\Core\PressureTest\Suspects;

/* Where to look first after a bad test: the order is common practice. */

/**
 * @param  array<string, mixed>  $more
 * @return array<string, mixed>
 */
function joined(string $number, array $more = []): array
{
    return $more + [
        'number' => $number,
        'chainage_m' => 6.0 * (int) $number,
        'verdict' => 'good',
        'is_repair' => false,
        'is_closing' => false,
        'corrected' => 0,
        'made_at' => null,
    ];
}

it('puts what is bad or open first, then repairs and closing pieces, then readings near a limit, then what was made last', function () {
    $found = Suspects::among([
        joined('1', ['made_at' => '2026-05-01T10:00:00+02:00']),
        joined('2', ['verdict' => 'close', 'made_at' => '2026-05-01T11:00:00+02:00']),
        joined('3', ['is_repair' => true, 'is_closing' => true]),
        joined('4', ['made_at' => '2026-05-04T10:00:00+02:00']),
        joined('5', ['verdict' => 'bad']),
        joined('6', ['verdict' => 'open']),
        joined('7', ['verdict' => 'close', 'corrected' => 2]),
    ]);
    expect(array_column($found, 'why', 'number'))->toBe([
        '5' => ['bad'],
        '3' => ['repair', 'closing'],
        '6' => ['open'],
        '7' => ['close', 'corrected'],
        '2' => ['close'],
        '4' => ['last'],
    ]);
});

it('knows which was made last by the moment and not by its writing, and names no last one of a single joint', function () {
    $twoZones = [
        joined('1', ['made_at' => '2026-05-04T10:30:00+02:00']),
        joined('2', ['made_at' => '2026-05-04T09:00:00+00:00']),
    ];
    expect(array_column(Suspects::among($twoZones), 'number'))
        ->toBe(['2'])
        ->and(Suspects::among([joined('1', ['made_at' => '2026-05-04T10:30:00+02:00'])]))
        ->toBe([])
        ->and(Suspects::among([]))
        ->toBe([]);
});

it('names no more than a crew walks to', function () {
    $all = array_map(fn (int $n) => joined((string) $n, ['verdict' => 'open']), range(1, 40));
    expect(array_column(Suspects::among($all), 'number'))->toBe(['1', '2', '3', '4', '5', '6', '7', '8']);
});
