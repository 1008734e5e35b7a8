<?php

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Data;

/** @return array<string, array<string, mixed>> the words of the Bench: inputs, results, codes and answers, columns */
function benchWords(): array
{
    return json_decode((string) file_get_contents(resource_path('js/texts/bench.en.json')), true, 8, JSON_THROW_ON_ERROR);
}

/**
 * Everything in a schema that a person reads: inputs with those of their rows, answers to choose from, columns of a series.
 *
 * @param  array<string, mixed>  $schema
 * @return list<array{string, string}> list of words, key
 */
function readIn(string $calculation, array $schema): array
{
    $read = [];
    foreach ((array) ($schema['properties'] ?? []) as $key => $property) {
        if ($property['x-by-columns'] ?? false) {
            continue;
        }
        $bare = $property['x-name'] ?? $key;
        $read[] = ['in', isset(benchWords()['in']["{$calculation}/{$bare}"]) ? "{$calculation}/{$bare}" : $bare];
        foreach ([...$property['enum'] ?? [], ...$property['x-names'] ?? []] as $answer) {
            $read[] = ['words', isset(benchWords()['words']["{$calculation}/{$answer}"]) ? "{$calculation}/{$answer}" : $answer];
        }
        $items = $property['items'] ?? [];
        if (($items['type'] ?? '') === 'array') {
            array_push($read, ...array_map(fn (string $column) => ['columns', $column], explode(', ', $items['description'])));
        }
        array_push($read, ...readIn($calculation, $property), ...readIn($calculation, $items));
    }

    return $read;
}

/** @return list<array{string, string}> all of all calculations, each once */
function readOnTheBench(): array
{
    $registry = Registry::standard();
    $read = [];
    foreach ($registry->names() as $name) {
        $schema = json_decode((string) json_encode($registry->schema($name)), true);
        array_push($read, ...readIn($name, $schema));
        foreach ($schema['x-gives'] as $result) {
            $read[] = ['out', isset(benchWords()['out']["{$name}/{$result}"]) ? "{$name}/{$result}" : $result];
        }
        foreach (array_diff(array_merge(...array_values($schema['x-codes'])), ['*']) as $code) {
            $read[] = ['words', isset(benchWords()['words']["{$name}/{$code}"]) ? "{$name}/{$code}" : (string) $code];
        }
    }

    return array_values(array_unique($read, SORT_REGULAR));
}

it('has words for every input, result, code and column of every calculation, and none for what is not there', function () {
    $words = benchWords();
    $read = readOnTheBench();
    $missing = array_filter($read, fn (array $r) => ! isset($words[$r[0]][$r[1]]));
    expect(array_map(fn (array $r) => implode(' ', $r), array_values($missing)))->toBe([]);
    foreach (['in', 'out', 'columns'] as $of) {
        $used = array_column(array_filter($read, fn (array $r) => $r[0] === $of), 1);
        expect(array_values(array_diff(array_keys($words[$of]), $used)))->toBe([], $of);
    }
});

it('says things in words: nothing that a machine would write', function () {
    foreach (benchWords() as $of => $words) {
        foreach ($words as $key => $said) {
            foreach ((array) $said as $text) {
                expect($text)->not->toMatch('/_|[{}\[\]]|^$|  /', "{$of} {$key}");
            }
        }
    }
});

it('has a worked example for each calculation, typed as its schema has it, that runs', function () {
    $registry = Registry::standard();
    $worked = Data::json('calculations/worked.json');
    $own = array_unique(array_map(fn (string $name) => $registry->about($name)->name, $registry->names()));
    expect(array_values(array_diff($own, array_keys($worked))))->toBe([])->and(array_diff(array_keys($worked), $own))->toBe([]);
    foreach ($worked as $name => $input) {
        expect(array_diff(array_keys($input), array_keys((array) $registry->schema($name)['properties'])))->toBe([], $name);
        expect($registry->run($name, $input))->toBeArray()->not->toBe([], $name);
    }
    $answer = $this->as('joiner')->getJson('/api/v1/calculations')->assertOk();
    expect($answer->json('dew-point.x-example'))->toBe($worked['dew-point'])
        ->and($answer->json('dew-point.x-method'))->not->toContain('@', '*')
        ->and(strlen($answer->json('dew-point.x-method')))->toBeGreaterThan(20);
});

it('draws a sum along one of its inputs', function () {
    $scratch = ['depth_mm' => 1, 'wall_mm' => 10, 'limit_pct' => 10];
    $along = fn (array $asked) => $this->as('joiner')->postJson('/api/v1/calculations/gouge-check/along', $asked);
    $drawn = $along(['input' => $scratch, 'key' => 'depth_mm', 'from' => 0, 'to' => 2])->assertOk();
    expect($drawn->json('0'))->toEqual(['at' => 0, 'out' => ['depth_pct' => 0], 'verdict' => 'good'])
        ->and($drawn->json('40.verdict'))->toBe('bad');
    $along(['input' => $scratch, 'key' => 'depth', 'from' => 0, 'to' => 2])->assertUnprocessable()->assertJsonPath('errors.0.field', 'key');
    $along(['input' => $scratch, 'key' => 'depth_mm', 'from' => 2, 'to' => 0])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'to');
    $along(['input' => $scratch, 'key' => 'depth_mm', 'from' => 'nought', 'to' => 2])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.message', 'from: "nought" is no number.');
    $this->postJson('/api/v1/calculations/nothing/along', ['input' => ['a' => 1], 'key' => 'a', 'from' => 0, 'to' => 2])->assertNotFound();
});
