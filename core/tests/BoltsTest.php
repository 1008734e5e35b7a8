<?php

declare(strict_types=1);

use Diastoma\Core\Bolting\CrossPattern;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

/* The bolts of a joint: the order in which they are worked, and the kind of step that takes them one by one. */

it('names each bolt once, the second opposite the first, no neighbours in turn, each four in balance', function (int $n) {
    $order = CrossPattern::order($n);
    $sorted = $order;
    sort($sorted);
    expect($sorted)->toBe(range(1, $n));
    if ($n % 2 === 0) {
        expect(abs($order[0] - $order[1]))->toBe(intdiv($n, 2));
    }
    for ($i = 1; $i < $n && $n > 4; $i++) {
        expect(in_array(abs($order[$i] - $order[$i - 1]), [1, $n - 1], true))->toBeFalse("{$order[$i - 1]}, {$order[$i]} of {$n}");
    }
    if ($n % 4 === 0) {
        foreach (array_chunk($order, 4) as $four) {
            foreach (['cos', 'sin'] as $part) {
                expect(array_sum(array_map(fn (int $b) => $part(2 * M_PI * $b / $n), $four)))->toEqualWithDelta(0, 1e-9);
            }
        }
    }
})->with(range(2, 64));

function boltsPractice(): Procedure
{
    return Procedure::from(
        (array) json_decode((string) file_get_contents(dirname(__DIR__, 2).'/tests/fixtures/bolts-practice.json'), true),
    );
}

/** @param  list<array{int, int, float}>  $readings  pass, bolt, N·m; a minute apart */
function bolted(array $readings, string $due = '2027-01-31', array $supersedes = []): Judgement
{
    $procedure = boltsPractice();
    $fact = fn (string $id, string $step, array $value, int $minute) => new Fact(
        $id,
        $step,
        $procedure->step($step)->normalise($value),
        new DateTimeImmutable(minute($minute)),
        'J. Weir',
        'joiner',
        $supersedes[$id] ?? null,
    );
    $facts = [$fact('w', 'wrench', ['class_frac' => 0.04, 'least_nm' => 20, 'most_nm' => 200, 'due_on' => $due], 0)];
    foreach ($readings as $i => [$pass, $bolt, $nm]) {
        $facts[] = $fact("b{$i}", 'bolts', ['pass' => $pass, 'bolt' => $bolt, 'torque_nm' => $nm], $i + 1);
    }

    return Judge::judge($procedure, $facts, ['time_zone' => 'Europe/Vienna'], new DateTimeImmutable(minute(200)));
}

/** @return list<array{int, int, float}> all that the plan asks for, as it asks for it */
function allBolts(): array
{
    $plan = calc('tighten-plan', [
        'bolts' => 8,
        'target_nm' => 110,
        'passes' => [['fraction' => 0.3], ['fraction' => 0.6], ['fraction' => 1], ['fraction' => 1, 'pattern' => 'circular']],
    ]);

    return array_map(fn (array $s) => [$s['pass'], $s['bolt'], $s['torque_nm']], $plan['steps']);
}

it('is judged as the log grows: nothing, half, all', function () {
    $before = bolted([])->steps['bolts'];
    expect($before->status)
        ->toBe('todo')
        ->and($before->entry['wrench'])
        ->toBe('reads')
        ->and(array_column($before->entry['plan'], 'bolt'))
        ->toBe(array_column(allBolts(), 1));
    $half = bolted(array_slice(allBolts(), 0, 11))->steps['bolts'];
    expect($half->status)
        ->toBe('running')
        ->and($half->verdict)
        ->toBe(Verdict::Open)
        ->and($half->reasons[0]->text->in(UnitSystem::Metric))
        ->toBe('21 of 32 readings are still to come.')
        ->and($half->results['torque-log-check'])
        ->toMatchArray(['done' => 11, 'next_pass' => 2, 'next_bolt' => 7, 'next_nm' => 66.0]);
    $all = bolted(allBolts());
    expect($all->steps['bolts']->status)
        ->toBe('done')
        ->and($all->steps['bolts']->verdict)
        ->toBe(Verdict::Good)
        ->and(saying($all))
        ->not->toContain('bad')
        ->and($all->next)
        ->toBe('accept')
        ->and($all->readyForSignature())
        ->toBeTrue();
});

it('says what is bad while it grows, each bolt by itself, and locks the signature', function () {
    $judgement = bolted([...array_slice(allBolts(), 0, 24), [4, 1, 110], [4, 2, 100], [4, 3, 121]]);
    expect($judgement->steps['bolts']->status)
        ->toBe('running')
        ->and($judgement->steps['bolts']->verdict)
        ->toBe(Verdict::Bad)
        ->and(saying($judgement))
        ->toContain('Bolt 2 is below 110 N·m.', 'Bolt 3 is above 110 N·m.')
        ->not->toContain('is not read')
        ->and($judgement->steps['accept']->lock?->text)
        ->toBe('"Tighten the bolts" must be good first.')
        ->and($judgement->next)
        ->toBe('bolts');
});

it('lets a bolt be gone over again: the last reading counts, and a wrong entry is superseded', function () {
    $short = array_map(fn (array $r) => $r[0] === 4 && $r[1] === 2 ? [4, 2, 90] : $r, allBolts());
    expect(bolted($short)->steps['bolts']->verdict)->toBe(Verdict::Bad)
        ->and(bolted([...$short, [4, 2, 110]])->steps['bolts']->verdict)->toBe(Verdict::Good)
        ->and(bolted([...allBolts(), [4, 2, 90]])->steps['bolts']->verdict)->toBe(Verdict::Bad)
        ->and(bolted([...allBolts(), [4, 2, 90], [4, 2, 110]], supersedes: ['b33' => 'b32'])->steps['bolts']->verdict)->toBe(Verdict::Good);
});

it('stays open for a bolt that was left out, and bad for a wrench out of date or a bolt over the most', function () {
    $missed = array_values(array_filter(allBolts(), fn (array $r) => [$r[0], $r[1]] !== [3, 5]));
    $judgement = bolted($missed);
    expect($judgement->steps['bolts']->status)
        ->toBe('running')
        ->and($judgement->readyForSignature())
        ->toBeFalse()
        ->and($judgement->next)
        ->toBe('bolts');
    expect(saying(bolted(allBolts(), '2026-05-03')))
        ->toContain('The wrench was out of calibration.')
        ->and(saying(bolted([[1, 1, 131]])))
        ->toContain('Bolt 1 was over 130 N·m.', 'an engineer decides');
});

it('refuses what cannot be read', function (array $value, string $said) {
    expect(fn () => boltsPractice()->step('bolts')->normalise($value))->toThrow(Refused::class, $said);
})->with([
    [['pass' => 1, 'torque_nm' => 33], 'Bolt is missing.'],
    [['pass' => 1, 'bolt' => 65, 'torque_nm' => 33], 'Bolt: 65 is outside 1 to 64.'],
    [['pass' => 1.5, 'bolt' => 1, 'torque_nm' => 33], 'pass must be a whole number.'],
    [['pass' => 1, 'bolt' => 1, 'torque_nm' => -1], 'Torque: -1 N·m is outside 0 to 5000 N·m.'],
    [['pass' => 1, 'bolt' => 1], 'Torque is missing.'],
    [['pass' => 1, 'bolt' => 1, 'torque_nm' => 33, 'turned' => 'yes'], 'turned must be true'],
    [['pass' => 1, 'bolt' => 1, 'torque_nm' => 33, 'colour' => 'red'], 'colour is not asked for in this step.'],
]);

it('takes a torque in the unit of the wrench', function () {
    // 81.13 lbf·ft are 110 N·m: 1 lbf·ft is 1.3558179483314004 N·m, exactly by the definition of the pound and the foot.
    $value = boltsPractice()->step('bolts')->normalise(['pass' => 1, 'bolt' => 1, 'torque_ftlb' => 110 / 1.3558179483314004]);
    expect($value['torque_nm'])->toEqualWithDelta(110, 1e-9);
});

it('names a plan that is left out', function () {
    $text = (array) json_decode((string) file_get_contents(dirname(__DIR__, 2).'/tests/fixtures/bolts-practice.json'), true);
    unset($text['steps'][1]['plan']);
    $said = 'steps[1].plan: is missing: which bolt comes next, and to what torque';
    expect(fn () => Procedure::from($text))->toThrow(Refused::class, $said);
});
