<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Signature;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

/* Lists that grow entry by entry, and the records of a day, a delivery and a covering that are made of them. */

/** @param  list<array<string, mixed>>  $values  facts of the one list, with `supersedes` where they take the place of another */
function listed(array $values, ?string $none = null): Judgement
{
    $step = [
        'id' => 'list', 'kind' => 'entries', 'title' => 'A list',
        'fields' => [
            ['key' => 'what', 'label' => 'What', 'type' => 'text'],
            ['key' => 'sound', 'label' => 'Sound', 'type' => 'yesno', 'want' => true, 'do' => 'Take it out.', 'optional' => true],
        ],
    ] + ($none === null ? [] : ['none' => $none]);
    $procedure = Procedure::from([
        'id' => 'list-practice', 'version' => '1', 'title' => 'Practice: a list', 'joint_type' => 'list', 'family' => 'stretch',
        'steps' => [$step],
    ]);
    $facts = [];
    foreach ($values as $i => $value) {
        $supersedes = $value['supersedes'] ?? null;
        unset($value['supersedes']);
        $stored = $procedure->step('list')->normalise($value);
        $at = new DateTimeImmutable("2026-05-04T08:0{$i}:00Z");
        $facts[] = new Fact("f{$i}", 'list', $stored, $at, 'Bram Ivesley', 'joiner', is_string($supersedes) ? $supersedes : null);
    }

    return Judge::judge($procedure, $facts, [], new DateTimeImmutable('2026-05-04T12:00:00Z'));
}

it('grows until somebody says that it is all', function () {
    $two = listed([['what' => 'one'], ['what' => 'two']]);
    expect($two->steps['list']->status)->toBe('running')
        ->and($two->steps['list']->verdict)->toBe(Verdict::Open)
        ->and($two->steps['list']->fact->value['count'])->toBe(2);
    $all = listed([['what' => 'one'], ['what' => 'two'], ['all' => true]]);
    expect($all->steps['list']->status)->toBe('done')->and($all->verdict)->toBe(Verdict::Good);
});

it('takes one more after that, and stays whole', function () {
    $late = listed([['what' => 'one'], ['all' => true], ['what' => 'came later']]);
    expect($late->steps['list']->status)->toBe('done')
        ->and(array_column($late->steps['list']->fact->value['entries'], 'what'))->toBe(['one', 'came later']);
});

it('has an entry put right by another, and struck out by one that says so', function () {
    $right = listed([
        ['what' => 'oen'],
        ['what' => 'one', 'supersedes' => 'f0'],
        ['what' => 'two'],
        ['struck' => true, 'supersedes' => 'f2'],
    ]);
    expect(array_column($right->steps['list']->fact->value['entries'], 'what'))->toBe(['one']);
});

it('is never good with nothing in it, but where nothing is an answer', function () {
    expect(listed([])->verdict)->toBe(Verdict::Open)
        ->and(listed([['all' => true]])->verdict)->toBe(Verdict::Open)
        ->and(listed([['what' => 'one'], ['struck' => true, 'supersedes' => 'f0'], ['all' => true]])->verdict)->toBe(Verdict::Open);
    $nobody = listed([['all' => true]], 'Nobody came');
    expect($nobody->verdict)->toBe(Verdict::Good)
        ->and($nobody->steps['list']->reasons[0]->text->in(UnitSystem::Metric))->toBe('Nobody came.');
});

it('says of each entry by its name what is wrong with it', function () {
    $bad = listed([['what' => 'one', 'sound' => true], ['what' => 'two', 'sound' => false], ['all' => true]]);
    expect($bad->verdict)->toBe(Verdict::Bad)
        ->and(array_map(fn ($r) => $r->text->in(UnitSystem::Metric), $bad->steps['list']->reasons))->toBe(['two: Sound: no.']);
});

it('refuses a word that stands beside others, and an entry without what it asks for', function (array $value, string $field) {
    try {
        listed([$value]);
    } catch (Refused $refused) {
        expect($refused->firstField())->toBe($field);

        return;
    }
    test()->fail('It was taken.');
})->with([
    'all and an entry' => [['what' => 'one', 'all' => true], 'all'],
    'all is not true' => [['all' => false], 'all'],
    'struck and an entry' => [['what' => 'one', 'struck' => true], 'struck'],
    'a key that is not asked for' => [['what' => 'one', 'waht' => 'two'], 'waht'],
    'nothing' => [[], 'what'],
]);

it('takes a signature of strokes, and no dot, no drawing of another kind', function (mixed $given, bool $taken) {
    try {
        expect(Signature::read($given, 'signature', 'Signature'))->toBe($given);
        expect($taken)->toBeTrue();
    } catch (Refused $refused) {
        expect($taken)->toBeFalse()->and($refused->firstField())->toBe('signature');
    }
})->with([
    'strokes' => ['M1 1L2 2L3 3L4 4L5 5L6 6M7 7L8 8', true],
    'a dot' => ['M1 1L2 2', false],
    'a script' => ['M1 1L2 2L3 3L4 4L5 5L6 6"><script>', false],
    'a curve' => ['M1 1C2 2 3 3 4 4', false],
    'a line break at the end' => ["M1 1L2 2L3 3L4 4L5 5L6 6\n", false],
    'no text' => [12, false],
    'as long as may be' => ['M1 1'.str_repeat('L1 1', 2999), true],
    'longer' => ['M1 1'.str_repeat('L1 1', 3000), false],
]);

it('counts a shortage that was claimed at once no more, and says it', function () {
    $example = Example::shipped()['delivery'];
    $short = array_map(
        fn (Fact $f) => ($f->value['what'] ?? '') === 'Pipe 160 SDR 21, 6 m'
            ? new Fact($f->id, $f->step, ['came' => 12.0] + $f->value, $f->at, $f->by, $f->role) : $f,
        $example->facts(),
    );
    $judgement = Judge::judge($example->procedure, $short, $example->line(), new DateTimeImmutable('2026-05-05T08:00:00Z'));
    expect($judgement->verdict)->toBe(Verdict::Good)
        ->and($judgement->steps['order-lines']->reasons[0]->text->in(UnitSystem::Metric))
        ->toBe('Too few: 12 of 14 Pipe 160 SDR 21, 6 m. Put right since: Claimed from the supplier.');
});

it('tells which pipes came and which of them were rejected', function () {
    $received = Example::shipped()['delivery']->judged()->told->received;
    expect($received['from'])->toBe('Ravensclough Pipe Works')
        ->and($received['pipes'])->toHaveCount(14)
        ->and($received['pipes'][8])
        ->toBe(['number' => '009', 'length_m' => 6.0, 'serial' => 'L-2231', 'rejected' => 'spigot, two chips on the bevel'])
        ->and($received['pipes'][0]['rejected'])->toBeNull();
});

it('tells when joints were covered, and nothing before', function () {
    $example = Example::shipped()['covering'];
    expect($example->judged()->told->coveredAt)->toBe('2026-05-04T08:40:00+02:00');
    $looked = array_slice($example->facts(), 0, 1);
    $judgement = Judge::judge($example->procedure, $looked, $example->line(), new DateTimeImmutable('2026-05-05T08:00:00Z'));
    expect($judgement->told->coveredAt)->toBeNull();
});

it('never covers what is not known: without the joints of the stretch it is open', function () {
    $example = Example::shipped()['covering'];
    $judgement = Judge::judge(
        $example->procedure,
        $example->facts(),
        array_diff_key($example->line(), ['joints' => true]),
        new DateTimeImmutable('2026-05-05T08:00:00Z'),
    );
    expect($judgement->verdict)->not->toBe(Verdict::Good);
});

it('asks for a permit only where its work is done, and keeps the work shut without it', function () {
    $example = Example::shipped()['day-record'];
    $facts = array_values(array_filter($example->facts(), fn (Fact $f) => $f->step !== 'permit-trench' && $f->step !== 'work-opened'));
    $judgement = Judge::judge($example->procedure, $facts, $example->line(), new DateTimeImmutable('2026-05-04T09:00:00+02:00'));
    expect($judgement->steps)->not->toHaveKey('permit-traffic')
        ->and($judgement->steps['work-opened']->lock?->protects)->toBeTrue()
        ->and($judgement->steps['work-opened']->lock?->text ?? '')->toContain('Permit for the trench');
});
