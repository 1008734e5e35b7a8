<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Replaced;
use Diastoma\Core\Units\UnitSystem;

require_once __DIR__.'/helpers.php';

/* What was entered again is shown to who signs: how it had been judged, by what was known up to then. */

/** @return list<array{string, string, string|null}> step, verdict, what was said */
function replaced(array $facts): array
{
    $procedure = little([
        ['id' => 'length', 'kind' => 'number', 'title' => 'Length', 'fields' => [
            ['key' => 'length_mm', 'label' => 'Length', 'quantity' => 'length', 'min' => 0],
        ], 'judge' => [[
            'calc' => 'guarded-verdict',
            'in' => ['value' => '$fact.length_mm', 'limit_max' => 10, 'u_expanded' => 1],
            'say' => [
                ['verdict' => 'bad', 'text' => '{fact.length_mm} is too long.', 'do' => 'Cut it.'],
                ['verdict' => 'close', 'text' => 'Hardly short enough.'],
                ['verdict' => 'good', 'text' => 'Short enough.'],
            ],
        ]]],
    ]);
    $rows = array_map(
        fn (array $f, int $i) => new Fact(
            $f[0],
            'length',
            ['length_mm' => $f[1]],
            new DateTimeImmutable(DAY." + {$i} minutes"),
            supersedes: $f[2] ?? null,
        ),
        $facts,
        array_keys($facts),
    );
    $judgement = Judge::judge($procedure, $rows, [], new DateTimeImmutable(DAY.' + 1 hour'));

    return array_map(
        fn (Replaced $r) => [$r->fact->id, $r->successor, $r->verdict->value, $r->toArray(UnitSystem::Metric, null)['text']],
        $judgement->replaced(),
    );
}

it('says of each entry that was replaced how its step stood then, and what took its place', function () {
    expect(replaced([['a', 12], ['b', 10.5, 'a'], ['c', 5, 'b']]))->toBe([
        ['a', 'b', 'bad', '12.0 mm is too long.'],
        ['b', 'c', 'bad', '10.5 mm is too long.'],
    ]);
});

it('says so of a good entry too: that it was replaced is what counts', function () {
    expect(replaced([['a', 5], ['b', 6, 'a']]))->toBe([['a', 'b', 'good', 'Short enough.']]);
});

it('has nothing to say where nothing was replaced, or by what came from elsewhere', function () {
    expect(replaced([['a', 5]]))->toBe([])
        // What it supersedes is not among the facts, comes after it, or is it.
        ->and(replaced([['b', 6, 'x']]))->toBe([])
        ->and(replaced([['b', 6, 'a'], ['a', 5]]))->toBe([])
        ->and(replaced([['a', 6, 'a']]))->toBe([]);
});

it('travels with the judgement', function () {
    $fields = [['key' => 'x', 'label' => 'X', 'type' => 'text']];
    $procedure = little([['id' => 'one', 'kind' => 'note', 'title' => 'One', 'fields' => $fields]]);
    expect(littleJudged($procedure, ['one' => ['x' => 'y']])->toArray())->toHaveKey('replaced', []);
});
