<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Refused;

/*
 * Each line of core/tests/examples is {"calc", "in", "out", "source"?, "rel"?}. Outputs printed to six or seven
 * digits are compared with relative 1e-5 unless the line says otherwise; simulated ones as their sheet says.
 */
function examples(): iterable
{
    foreach (glob(__DIR__.'/examples/*.jsonl') ?: [] as $file) {
        foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $i => $line) {
            $example = json_decode($line, true, 64, JSON_THROW_ON_ERROR);
            yield $example['calc'].' '.basename($file).':'.($i + 1) => [$example];
        }
    }
}

function expectClose(mixed $actual, mixed $wanted, float $relative, string $where): void
{
    if (is_array($wanted)) {
        expect($actual)->toBeArray($where)->and(count($actual))->toBe(count($wanted), $where);
        foreach ($wanted as $key => $value) {
            expectClose($actual[$key] ?? null, $value, $relative, "{$where}.{$key}");
        }
    } elseif (is_int($wanted) || is_float($wanted)) {
        expect($actual)->toBeNumeric($where)->and((float) $actual)->toEqualWithDelta($wanted, max(1e-9, $relative * abs($wanted)), $where);
    } else {
        expect($actual)->toBe($wanted, $where);
    }
}

it('answers the worked example', function (array $example) {
    $relative = $example['rel'] ?? match ($example['calc']) {
        'section-simulator' => 1e-3, 'hold-slope' => 0.3, default => 1e-5,
    };
    try {
        $out = Registry::standard()->run($example['calc'], $example['in']);
    } catch (Refused $refused) {
        $out = ['error' => $refused->firstField()];
        expect($refused->getMessage())->toContain(' ');
    }
    foreach ($example['out'] as $key => $wanted) {
        expect($out)->toHaveKey($key);
        expectClose($out[$key], $wanted, $key === 'slope_kpa_h' ? 0.02 : $relative, $key);
    }
})->with(examples());

it('lists every output key of its examples among what it gives', function () {
    foreach (examples() as $name => [$example]) {
        $gives = Registry::standard()->about($example['calc'])->gives;
        foreach (array_keys($example['out']) as $key) {
            if ($key !== 'error' && preg_match('/^(a|b|amplitude|direction|wald|inflation)\d/', $key) !== 1) {
                expect(in_array($key, $gives, true))->toBeTrue("{$name}: {$key} is not in gives");
            }
        }
    }
});

it('has a worked example for every calculation', function () {
    $with = array_unique(array_map(fn ($e) => $e[0]['calc'], iterator_to_array(examples(), false)));
    expect(array_values(array_diff(Registry::standard()->names(), $with)))->toBe([]);
});

it('lists every calculation under its own names, and no other', function () {
    $catalogue = require dirname(__DIR__).'/src/Calculation/catalogue.php';
    $named = [];
    foreach (array_unique($catalogue) as $class) {
        $about = (new ReflectionClass($class))->getAttributes(Diastoma\Core\Calculation\Calculates::class)[0]->newInstance();
        foreach ([$about->name, ...$about->alsoNamed] as $name) {
            expect($named)->not->toHaveKey($name);
            $named[$name] = $class;
        }
    }
    ksort($named);
    ksort($catalogue);
    expect($catalogue)->toBe($named);
});
