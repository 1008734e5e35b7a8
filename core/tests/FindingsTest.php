<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;

require_once __DIR__.'/helpers.php';

/* What a calculation found that judges nothing stands beside the verdict, and never makes it. */

/**
 * @param  list<array<string, mixed>>  $says
 * @param  array<string, mixed>  $more
 * @return array<string, mixed> a number that is held against nothing, and of which something is found
 */
function findingText(array $says, array $more = []): array
{
    return littleText([[
        'id' => 'log',
        'kind' => 'number',
        'title' => 'Hold',
        'fields' => [['key' => 'to_min', 'label' => 'Ended, minute', 'quantity' => 'time', 'min' => 0, 'max' => 600]],
        'judge' => [$more + [
            'calc' => 'hold-finding',
            'judges' => false,
            'in' => [
                'samples' => array_map(fn (int $m) => [$m, 1200 - 0.2 * $m], range(0, 60)),
                'hold_from_min' => 0,
                'hold_to_min' => '$fact.to_min',
                'segments' => [['length_m' => 100, 'id_mm' => 100, 'wall_mm' => 5, 'e_mod_gpa' => 3]],
                't_water_degc' => 12,
            ],
            'say' => $says,
        ]],
        'summary' => 'held',
    ]]);
}

/** @return list<array{has: string, text: string}> a sentence for each class */
function saysOfClasses(): array
{
    $classes = ['tight', 'rising', 'leak', 'stabilising', 'creep', 'temperature', 'cannot-tell', 'lost', 'no-pressure'];

    return array_map(fn (string $class) => ['has' => "class:{$class}", 'text' => "It is {$class}."], $classes);
}

it('says what it found beside the verdict, once it is recorded', function () {
    $judgement = littleJudged(Procedure::from(findingText(saysOfClasses())), ['log' => ['to_min' => 60]]);
    $state = $judgement->steps['log'];
    expect($state->toArray(UnitSystem::Metric, null))
        ->toMatchArray(['verdict' => 'good', 'reasons' => [], 'findings' => [['text' => 'It is leak.', 'do' => '']]])
        ->and(littleJudged(Procedure::from(findingText(saysOfClasses())), [])->steps['log']->findings)
        ->toBe([]);
});

it('finds nothing where it cannot be computed, and says nothing of it', function () {
    $judgement = littleJudged(Procedure::from(findingText(saysOfClasses())), ['log' => ['to_min' => 600]]);
    expect($judgement->steps['log']->findings)->toBe([]);
});

it('refuses a finding that is never said', function (array $text, string $message) {
    try {
        Procedure::from($text);
        $said = [];
    } catch (Refused $refused) {
        $said = array_column($refused->faults, 'message');
    }
    expect($said)->toContain($message);
})->with(function () {
    $all = saysOfClasses();
    $at = 'steps[0].judge[0].say';

    return [
        'a misspelt code' => [
            findingText([['has' => 'class:leek', 'text' => 'It leaks.'], ...$all]),
            "{$at}[0].has: \"leek\" is no code in class of hold-finding; did you mean \"leak\"?",
        ],
        'a verdict' => [
            findingText([['verdict' => 'good'] + $all[0], ...array_slice($all, 1)]),
            "{$at}[0].verdict: is never said: the calculation judges nothing; say with \"has\" of which code it speaks.",
        ],
        'of nothing' => [
            findingText([...$all, ['text' => 'Something.']]),
            "{$at}[9]: is never said: the calculation judges nothing; say with \"has\" of which code it speaks.",
        ],
        'twice' => [findingText([...$all, $all[0]]), "{$at}[9].has: \"class:tight\" is told above already."],
        'silent about some' => [
            findingText(array_slice($all, 0, 7)),
            "{$at}: has no sentence for class lost, no-pressure.",
        ],
    ];
});

it('refuses a rule that the library does not have', function () {
    $text = findingText([]);
    $text['steps'][0]['judge'][0] = ['use' => 'pressure/hold-findings'];
    expect(fn () => Procedure::from($text))->toThrow(Refused::class, '"pressure/hold-findings" is no rule of the library');
});

it('judges the same with the finding and without', function (string $method) {
    $example = Example::shipped()[$method];
    $text = $example->procedure->text;
    foreach ($text['steps'] as $i => $step) {
        $judge = array_filter($step['judge'] ?? [], fn (array $rule) => $rule['calc'] !== 'hold-finding');
        if (count($judge) !== count($step['judge'] ?? [])) {
            $text['steps'][$i]['judge'] = array_values($judge);
            array_pop($text['steps'][$i]['figure']['in']['limits']);
        }
    }
    $without = Procedure::from($text);
    expect($without->hash)->not->toBe($example->procedure->hash);
    $said = 0;
    foreach ([null, ...array_column($example->others(), 'name')] as $name) {
        $with = $example->judged($name);
        $judged = Judge::judge($without, $example->facts($name), $example->line(), new DateTimeImmutable('2030-01-01'));
        foreach ($with->steps as $key => $state) {
            $said += count($state->findings);
            expect($judged->steps[$key]->verdict)->toBe($state->verdict, "{$method}, {$name}: {$key}");
        }
    }
    expect($said)->toBeGreaterThan(1);
})->with(['pressure-loss', 'water-loss', 'composite-staged']);

it('does not call settled what lost its pressure, nor tight what had none to lose', function (string $method, string $says) {
    $found = Example::shipped()[$method]->judged('a small hole')->steps['phases']->findings;
    expect(array_map(fn ($finding) => $finding->text->in(UnitSystem::Metric), $found))->toBe([$says]);
})->with([
    ['pressure-loss', 'It lost 1204 kPa, more than half of its pressure: neither settling nor creep nor weather does that.'],
    [
        'composite-staged',
        'The hold began at 0 kPa, less than half of what the log had reached: there was nothing to watch.',
    ],
]);
