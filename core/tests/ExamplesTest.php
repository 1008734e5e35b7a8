<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\JudgeFromJson;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\StepState;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

/* Facts as a crew records them, kept beside each procedure: one good run, and others with the sentence that must come. */

dataset(
    'procedures that ship',
    fn () => array_combine(array_keys(Procedure::shipped()), array_map(fn (string $id) => [$id], array_keys(Procedure::shipped()))),
);

it('has an example for each procedure and method, with one that is bad', function (string $id) {
    expect(Example::shipped())->toHaveKey($id)->and(array_column(Example::shipped()[$id]->others(), 'verdict'))->toContain('bad');
})->with('procedures that ship');

it('judges the good run good, every step of it done and none left over', function (string $id) {
    $judgement = Example::shipped()[$id]->judged();
    $undone = array_filter($judgement->steps, fn (StepState $s) => ! $s->step->optional && $s->status !== 'done');
    expect($judgement->verdict)
        ->toBeIn([Verdict::Good, Verdict::Close], saying($judgement))
        ->and(array_keys($undone))
        ->toBe([])
        ->and($judgement->next)
        ->toBeNull();
})->with('procedures that ship');

it('is open until the last step is done, whichever is left out', function (string $id) {
    $example = Example::shipped()[$id];
    $all = $example->facts();
    foreach ($all as $left) {
        if ($example->procedure->step($left->step)->optional) {
            continue;
        }
        $facts = array_values(array_filter($all, fn ($f) => $f->step !== $left->step));
        $judgement = Diastoma\Core\Procedure\Judge::judge(
            $example->procedure,
            $facts,
            $example->line(),
            new DateTimeImmutable('2026-05-05T08:00:00+02:00'),
        );
        expect($judgement->verdict)->toBeIn([Verdict::Open, Verdict::Bad], $left->step);
    }
})->with('procedures that ship');

dataset('what else may happen', function () {
    foreach (Example::shipped() as $id => $example) {
        foreach ($example->others() as $other) {
            yield "{$id}: {$other['name']}" => [$id, $other];
        }
    }
});

it('says what is wrong in the sentence that its example wants', function (string $id, array $other) {
    $judgement = Example::shipped()[$id]->judged($other['name']);
    $said = array_map(
        fn ($r) => $r->text->in(UnitSystem::Metric, new DateTimeZone('Europe/Vienna')),
        $judgement->steps[$other['step']]->reasons,
    );
    expect($judgement->steps[$other['step']]->verdict->value)
        ->toBe($other['verdict'])
        ->and(in_array($judgement->verdict, [Verdict::Good], true))
        ->toBeFalse()
        ->and($other['says'] === '' ? $said : array_filter($said, fn (string $s) => str_contains($s, $other['says'])))
        ->toHaveCount($other['says'] === '' ? 0 : 1);
})->with('what else may happen');

it('gives the same judgement when it is handed out and read again', function (string $id) {
    $example = Example::shipped()[$id];
    $read = JudgeFromJson::read((array) json_decode((string) json_encode($example->toJudge()), true))->toArray();
    expect($read['verdict'])->toBe($example->judged()->verdict->value)->and($read['next'])->toBeNull();
})->with('procedures that ship');

it('hands an example out at the command line, and names those that there are', function () {
    expect(json_decode(console(['example', 'pvc-spigot-socket'])[1], true)['procedure'])->toBe('pvc-spigot-socket')
        ->and(console(['example', 'nothing'])[1])->toContain('there are some for', 'pvc-spigot-socket')
        ->and(console(['example', 'pvc-spigot-socket', 'nothing'])[1])->toContain('pushed over the mark')
        ->and(fn () => Example::shipped()['pvc-spigot-socket']->facts('nothing'))->toThrow(Refused::class);
});
