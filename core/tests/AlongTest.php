<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Along;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Refused;

/** @return list<array{at: float, out: array<string, float>, verdict: string|null}> */
function along(string $name, array $input, string $key, float $from, float $to): array
{
    return iterator_to_array((new Along(Registry::standard()))->points($name, $input, $key, $from, $to), false);
}

it('goes along an input as the sum itself does, all others standing', function () {
    $points = along('dew-point', ['air_c' => 20, 'rh_pct' => 50], 'rh_pct', 20, 100);
    expect($points)->toHaveCount(Along::POINTS)->and($points[0]['at'])->toEqual(20.0)->and($points[40]['at'])->toEqual(100.0);
    // Air that is saturated is at its dew point: a fact of physics.
    expect($points[40]['out']['dew_c'])->toEqualWithDelta(20, 1e-6);
    $one = Registry::standard()->run('dew-point', ['air_c' => 20, 'rh_pct' => $points[17]['at']]);
    expect($points[17]['out']['dew_c'])->toEqual($one['dew_c']);
});

it('has a gap where the sum is refused, and the verdict where it turns', function () {
    $points = along('dew-point', ['air_c' => 20, 'rh_pct' => 50], 'rh_pct', 60, 140);
    expect($points[20]['out'])->not->toBe([])->and($points[21]['out'])->toBe([]);
    $depths = along('gouge-check', ['depth_mm' => 0.5, 'wall_mm' => 10, 'limit_pct' => 10], 'depth_mm', 0, 2);
    // Exactly on the limit is good: half of the way.
    expect(array_column($depths, 'verdict'))->toBe([...array_fill(0, 21, 'good'), ...array_fill(0, 20, 'bad')]);
});

it('draws no picture along what is no figure, and none from an end to its beginning', function (string $key, float $from, float $to) {
    expect(fn () => along('dew-point', ['air_c' => 20, 'rh_pct' => 50], $key, $from, $to))->toThrow(Refused::class);
})->with([['rh', 0, 1], ['rh_pct', 50, 50], ['rh_pct', 60, 50], ['rh_pct', NAN, 50], ['rh_pct', 0, INF]]);
