<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\Expression\Constant;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Facts;
use Diastoma\Core\Procedure\Form\HasCode;
use Diastoma\Core\Procedure\Form\Spacing;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\JudgeFromJson;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

/*
 * The engine on small procedures made here: each shows one thing that a procedure file can say.
 */

const GAP = [
    'id' => 'gap',
    'kind' => 'number',
    'title' => 'Gap',
    'fields' => [['key' => 'gap_mm', 'label' => 'Gap', 'quantity' => 'length', 'min' => 0, 'max' => 20]],
    'judge' => [
        [
            'calc' => 'guarded-verdict',
            'limit' => 'most_mm',
            'in' => ['value' => '$fact.gap_mm', 'limit_max' => '$param.most_mm', 'u_expanded' => '$param.u_mm'],
            'say' => [
                ['verdict' => 'bad', 'text' => 'Too wide: {fact.gap_mm|1}.', 'do' => 'Again.'],
                ['verdict' => ['good', 'close'], 'text' => '{fact.gap_mm|1} is in.'],
            ],
        ],
    ],
];

it('walks from open over good and close to bad as a reading nears its limit and passes it', function (?float $gap, Verdict $wanted) {
    $judgement = littleJudged(little([GAP]), $gap === null ? [] : ['gap' => ['gap_mm' => $gap]]);
    expect($judgement->verdict)
        ->toBe($wanted)
        ->and($judgement->next)
        ->toBe($gap === null || $wanted === Verdict::Bad ? 'gap' : null);
})->with([
    [null, Verdict::Open],
    [1.0, Verdict::Good],
    [2.5, Verdict::Good],
    [2.51, Verdict::Close],
    [3.0, Verdict::Close],
    [3.6, Verdict::Bad],
]);

it('shows a limit with value, source and certainty, or none where a sentence stands on none', function () {
    $said = littleJudged(little([GAP]), ['gap' => ['gap_mm' => 9]])->toArray()['reasons'][0];
    expect($said)
        ->toMatchArray(['text' => 'Too wide: 9.0 mm.', 'do' => 'Again.'])
        ->and($said['limit'])
        ->toMatchArray(['name' => 'most_mm', 'shown' => '3.0 mm', 'source' => 'this test', 'certainty' => 'project']);
    $without = GAP;
    $without['judge'][0]['say'][0]['limit'] = false;
    expect(littleJudged(little([$without]), ['gap' => ['gap_mm' => 9]])->toArray()['reasons'][0]['limit'])->toBeNull();
});

it('keeps what was recorded out of order and leaves it to the engineer', function () {
    $steps = [
        [
            'id' => 'clean',
            'kind' => 'check',
            'title' => 'Clean',
            'fields' => [['key' => 'ok', 'label' => 'Clean', 'type' => 'yesno', 'want' => true]],
        ],
        ['after' => ['clean']] + GAP,
    ];
    $right = littleJudged(little($steps), ['clean' => ['ok' => true], 'gap' => ['gap_mm' => 1]]);
    $wrong = littleJudged(little($steps), ['gap' => ['gap_mm' => 1], 'clean' => ['ok' => true]]);
    expect($right->verdict)->toBe(Verdict::Good)->and($wrong->verdict)->toBe(Verdict::Open)
        ->and($wrong->steps['gap']->reasons[0]->text->in(UnitSystem::Metric))->toBe('Recorded before "Clean", which must come first.')
        ->and(littleJudged(little($steps), [])->steps['gap']->lock?->text)->toBe('"Clean" comes first.');
});

it('locks a step until another is good', function () {
    $steps = [
        GAP,
        [
            'id' => 'fuse',
            'kind' => 'check',
            'title' => 'Fuse',
            'needs_good' => ['gap'],
            'fields' => [['key' => 'ok', 'label' => 'Fused', 'type' => 'yesno', 'want' => true]],
        ],
    ];
    expect(littleJudged(little($steps), [])->steps['fuse']->lock?->text)
        ->toBe('"Gap" must be good first.')
        ->and(littleJudged(little($steps), ['gap' => ['gap_mm' => 9]])->steps['fuse']->lock?->text)
        ->toBe('"Gap" must be good first.')
        ->and(littleJudged(little($steps), ['gap' => ['gap_mm' => 3]])->steps['fuse']->lock?->text)
        ->toBeNull();
});

it('asks a step only where its condition holds', function () {
    $steps = [
        GAP,
        [
            'id' => 'coil',
            'kind' => 'check',
            'title' => 'Coil',
            'when' => [['of' => '$line.service', 'is' => 'gas'], ['of' => '$line.dn_mm', 'min' => 63, 'max' => 180]],
            'fields' => [['key' => 'ok', 'label' => 'Straightened', 'type' => 'yesno', 'want' => true]],
        ],
    ];
    $keys = fn (array $line) => array_keys(littleJudged(little($steps), [], $line)->steps);
    expect($keys(['service' => 'gas', 'dn_mm' => 110]))
        ->toBe(['gap', 'coil'])
        ->and($keys(['service' => 'water', 'dn_mm' => 110]))
        ->toBe(['gap'])
        ->and($keys(['service' => 'gas', 'dn_mm' => 225]))
        ->toBe(['gap'])
        ->and($keys(['service' => 'gas']))
        ->toBe(['gap', 'coil']);
});

it('does a sided step on each end, seen from its own side', function () {
    $step = ['each' => ['a', 'b'], 'title' => 'Gap, {side}'] + GAP;
    $judgement = littleJudged(
        little([$step]),
        ['gap@a' => ['gap_mm' => 1], 'gap@b' => ['gap_mm' => 9]],
        ['sides' => ['a' => 'pipe 7', 'b' => 'pipe 8']],
    );
    expect(array_map(fn ($s) => [$s->title, $s->verdict], array_values($judgement->steps)))
        ->toBe([['Gap, pipe 7', Verdict::Good], ['Gap, pipe 8', Verdict::Bad]])
        ->and($judgement->next)
        ->toBe('gap@b');
});

it('takes a choice and a hold as the file says', function () {
    $steps = [
        [
            'id' => 'soil',
            'kind' => 'choice',
            'title' => 'Soil',
            'fields' => [
                [
                    'key' => 'soil',
                    'label' => 'Soil',
                    'type' => 'choice',
                    'options' => [
                        ['value' => 'sand', 'label' => 'Sand'],
                        ['value' => 'peat', 'label' => 'Peat', 'verdict' => 'bad', 'bad' => 'Peat does not carry.', 'do' => 'Dig it out.'],
                    ],
                ],
            ],
        ],
        ['id' => 'sign', 'kind' => 'hold', 'title' => 'Sign', 'roles' => ['inspector'], 'refused_do' => 'Put it right.', 'fields' => []],
    ];
    $bad = littleJudged(little($steps), ['soil' => ['soil' => 'peat'], 'sign' => ['signed' => false, 'remark' => 'no photograph']]);
    expect($bad->steps['soil']->reasons[0]->text->in(UnitSystem::Metric))
        ->toBe('Peat does not carry.')
        ->and($bad->steps['sign']->reasons[0]->text->in(UnitSystem::Metric))
        ->toBe('J. Weir refused to sign: no photograph.')
        ->and($bad->steps['sign']->reasons[0]->do->in(UnitSystem::Metric))
        ->toBe('Put it right.')
        ->and($bad->readyForSignature())
        ->toBeFalse();
    $good = littleJudged(little($steps), ['soil' => ['soil' => 'sand'], 'sign' => ['signed' => true]]);
    expect($good->verdict)->toBe(Verdict::Good)->and($good->readyForSignature())->toBeTrue();
    expect(fn () => littleJudged(little($steps), ['sign' => ['signed' => false]]))
        ->toThrow(Refused::class, 'say why it is not signed')
        ->and(fn () => littleJudged(little($steps), ['sign' => ['signed' => 'yes']]))
        ->toThrow(Refused::class, 'signed must be true or false');
    // What was written down from memory is confirmed by name, all of it and nothing else.
    $memory = fn (string $name) => ['value' => 3, 'label' => $name, 'source' => 'a handbook', 'certainty' => 'memory'];
    $known = ['value' => 2, 'label' => 'known', 'source' => 'a standard', 'certainty' => 'std'];
    $procedure = little(
        [['confirms' => true] + $steps[1], ['summary' => '{param.most_mm}, {param.least_mm}, {param.known_mm}'] + $steps[0]],
        ['parameters' => ['most_mm' => $memory('most'), 'least_mm' => $memory('least'), 'known_mm' => $known]],
    );
    $signed = fn (mixed $confirmed) => littleJudged($procedure, ['sign' => ['signed' => true, 'confirmed' => $confirmed]]);
    expect($signed(['most_mm', 'least_mm'])->steps['sign']->verdict)
        ->toBe(Verdict::Good)
        ->and(array_column(littleJudged($procedure, [])->toArray()['steps'][0]['limits'], 'name'))
        ->toBe(['most_mm', 'least_mm'])
        ->and(littleJudged($procedure, ['sign' => ['signed' => false, 'remark' => 'not sure']])->steps['sign']->verdict)
        ->toBe(Verdict::Bad)
        ->and(fn () => littleJudged($procedure, ['sign' => ['signed' => true]]))
        ->toThrow(Refused::class, 'confirmed is missing most_mm: most was written down from memory (a handbook)')
        ->and(fn () => $signed(['most_mm']))
        ->toThrow(Refused::class, 'confirmed is missing least_mm')
        ->and(fn () => $signed(['most_mm', 'least_mm', 'known_mm']))
        ->toThrow(Refused::class, '"known_mm" is no limit to be confirmed here; known are most_mm, least_mm')
        ->and(fn () => $signed('most_mm'))
        ->toThrow(Refused::class, 'confirmed must be a list')
        ->and(fn () => littleJudged(little($steps), ['sign' => ['signed' => true, 'confirmed' => ['most_mm']]]))
        ->toThrow(Refused::class, 'there is none');
    expect(fn () => littleJudged(little($steps), ['soil' => ['soil' => 'rock']]))->toThrow(
        Refused::class,
        'Soil: choose one of Sand, Peat.',
    );
});

it('binds what is known and keeps the rest unknown', function (mixed $bound, mixed $wanted) {
    $steps = [
        [
            'id' => 'one',
            'kind' => 'number',
            'title' => 'One',
            'fields' => [
                ['key' => 'x_mm', 'label' => 'X', 'quantity' => 'length'],
                ['key' => 'y_mm', 'label' => 'Y', 'quantity' => 'length', 'optional' => true],
                ['key' => 'ok', 'label' => 'OK', 'type' => 'yesno', 'want' => true, 'bad' => 'Not OK.'],
            ],
        ],
        [
            'id' => 'ring',
            'kind' => 'round',
            'title' => 'Ring',
            'positions' => ['12:00', '3:00'],
            'fields' => [['key' => 'd_mm', 'label' => 'D', 'quantity' => 'length']],
        ],
        [
            'id' => 'two',
            'kind' => 'check',
            'title' => 'Two',
            'device' => 'any',
            'device_in' => ['got' => $bound],
            'fields' => [['key' => 'done', 'label' => 'Done', 'type' => 'yesno']],
        ],
    ];
    $judgement = littleJudged(
        little($steps),
        [
            'one' => ['x_mm' => 4, 'ok' => false],
            'ring' => ['readings' => [['clock' => '12', 'd_mm' => 110], ['clock' => '3', 'd_mm' => 111]]],
        ],
        ['time_zone' => 'UTC', 'restraints' => [['code' => 'slip'], ['code' => 'gap']], 'segments' => [[0, 1], [1, 1], [2.5, 1], [3.5, 1]]],
    );
    expect($judgement->steps['two']->device)->toEqual($wanted === null ? [] : ['got' => $wanted]);
})->with([
    'a fact of another step' => ['$step.one.x_mm', 4.0],
    'when it was done' => ['$step.one.@at', '2026-05-04T08:00:00+00:00'],
    'a parameter' => ['$param.most_mm', 3],
    'the line' => ['$line.time_zone', 'UTC'],
    'now' => ['$now', '2026-05-04T12:00:00+00:00'],
    'nothing' => ['$step.one.y_mm', null],
    'a plain value' => ['plain', 'plain'],
    'the first that is known' => [['$first' => ['$step.one.y_mm', '$step.one.x_mm', 7]], 4.0],
    'the first of none' => [['$first' => ['$step.one.y_mm', '$line.sdr']], null],
    'the earliest' => [['$earliest' => ['2026-05-04T10:00:00+02:00', '2026-05-04T08:30:00Z', '$line.sdr']], '2026-05-04T10:00:00+02:00'],
    'the largest' => [['$most' => ['$param.most_mm', '$step.one.x_mm', '$line.sdr']], 4.0],
    'the largest of none' => [['$most' => ['$line.sdr']], null],
    'the spacing' => [['$spacing' => '$line.segments'], 1.0],
    'no spacing' => [['$spacing' => '$line.sdr'], null],
    'some' => [['$some' => [false, true]], true],
    'none' => [['$some' => [false, false]], false],
    'some, not known' => [['$some' => [false, '$line.sdr']], null],
    'some, one not known' => [['$some' => [true, '$line.sdr']], true],
    'joined' => [['$concat' => [[1], [2, 3]]], [1, 2, 3]],
    'joined, not known' => [['$concat' => [[1], '$line.allowance_segments']], null],
    'those that are known' => [['$known' => [1, '$line.sdr', ['a' => '$line.sdr']]], [1]],
    'one of two' => [['$if' => [['of' => '$step.one.ok', 'is' => true]], 'then' => 1, 'else' => 2], 2],
    'one of two, not known' => [['$if' => [['of' => '$line.sdr', 'is' => 11]], 'then' => 1, 'else' => 2], null],
    'all' => [['$all' => [true, true]], true],
    'not all' => [['$all' => [true, false, '$line.sdr']], false],
    'all, not known' => [['$all' => [true, '$line.sdr']], null],
    'a code in a list' => [['$has' => '$line.restraints', 'any' => ['gap', 'leak']], true],
    'no such code' => [['$has' => '$line.restraints', 'any' => ['leak']], false],
    'no list' => [['$has' => '$line.sdr', 'any' => ['leak']], null],
    'a step gone wrong' => [['$good' => 'one'], false],
    'and said so' => [['$bad' => 'one'], true],
    'a good step' => [['$good' => 'ring'], true],
    'a step not judged yet' => [['$bad' => 'two'], null],
    'recorded' => [['$recorded' => 'one'], true],
    'not recorded' => [['$recorded' => 'two'], false],
    'not repeated' => [['$repeated' => 'one'], false],
    'never begun' => [['$repeated' => 'two'], null],
    'a round' => ['$step.ring.readings', [['clock' => '12:00', 'd_mm' => 110.0], ['clock' => '3:00', 'd_mm' => 111.0]]],
]);

it('supersedes a fact, and a fact that supersedes', function () {
    $procedure = little([GAP]);
    $fact = fn (string $id, float $gap, ?string $supersedes) => new Fact(
        $id,
        'gap',
        ['gap_mm' => $gap],
        new DateTimeImmutable('2026-05-04T08:00:00Z'),
        supersedes: $supersedes,
    );
    $judge = fn (array $facts) => Judge::judge($procedure, $facts, [], new DateTimeImmutable('2026-05-04T12:00:00Z'));
    expect($judge([$fact('a', 9, null), $fact('b', 8, 'a'), $fact('c', 1, 'b')])->verdict)->toBe(Verdict::Good)
        ->and($judge([$fact('a', 1, null), $fact('b', 9, 'a')])->verdict)->toBe(Verdict::Bad);
});

it('judges from JSON, and leaves out what is refused only when it is told to', function () {
    $in = [
        'procedure' => [
            'id' => 'little',
            'version' => '1',
            'title' => 'Little',
            'joint_type' => 'test',
            'parameters' => little([GAP])->text['parameters'],
            'steps' => [GAP],
        ],
        'now' => '2026-05-04T12:00:00Z',
        'line' => ['time_zone' => 'Europe/Vienna'],
        'facts' => [
            ['id' => 'x', 'step' => 'gap', 'value' => ['gap_mm' => 90], 'at' => '2026-05-04T10:00:00Z'],
            ['id' => 'y', 'step' => 'gap', 'value' => ['gap_in' => 0.04], 'at' => '2026-05-04T10:05:00+02:00'],
        ],
    ];
    expect(fn () => JudgeFromJson::read($in))->toThrow(Refused::class, 'Gap: 90 mm is outside 0 to 20 mm.');
    $judged = JudgeFromJson::read(['tolerant' => true, 'units' => 'us'] + $in)->toArray();
    expect($judged['verdict'])
        ->toBe('good')
        ->and($judged['refused'])
        ->toHaveCount(1)
        ->and($judged['refused'][0]['id'])
        ->toBe('x')
        ->and($judged['steps'][0]['reasons'][0]['text'])
        ->toBe('0.040 in is in.');
    foreach (
        [
            ['procedure' => 'unknown'],
            ['procedure' => null],
            ['now' => 'noon'],
            ['facts' => 'none'],
            ['line' => ['time_zone' => 'Nowhere/City']],
            ['line' => ['time_zone' => ['Europe/Vienna']]],
            ['facts' => ['gap', 7, null]],
            ['facts' => [['step' => 'dance', 'value' => [], 'at' => '2026-05-04T10:00:00Z']]],
        ] as $wrong
    ) {
        expect(fn () => JudgeFromJson::read($wrong + $in))->toThrow(Refused::class);
    }
    // What names a fact is text, or is not looked at; no list ever becomes a word.
    $odd = ['id' => ['x'], 'by' => ['a', 'b'], 'role' => 7, 'supersedes' => ['y']];
    $fact = $odd + ['step' => 'gap', 'value' => ['gap_mm' => 1], 'at' => '2026-05-04T10:00:00Z'];
    expect(JudgeFromJson::read(['units' => ['us'], 'facts' => [$fact]] + $in)->toArray()['verdict'])->toBe('good');
});

it('judges nothing by rows that are none', function () {
    $nothing = little([GAP]);
    $known = new Known($nothing, new Facts([], $nothing), [], new DateTimeImmutable('2026-05-04T12:00:00Z'));
    expect((new Spacing(new Constant([[0], [1], [3]])))->of($known))->toBe(1.5)
        ->and((new Spacing(new Constant([[0], 'x', [3]])))->of($known))->toBeNull()
        ->and((new Spacing(new Constant([[0], [null]])))->of($known))->toBeNull()
        ->and((new HasCode(new Constant([['t_s' => 3], 'x']), ['early-end']))->of($known))->toBeFalse()
        ->and((new HasCode(new Constant([['code' => 'early-end']]), ['early-end']))->of($known))->toBeTrue();
});

it('sums up a step that is recorded, and says nothing of one that is not', function () {
    $procedure = little([['summary' => 'read'] + GAP]);
    expect(littleJudged($procedure, [])->steps['gap']->summary)
        ->toBeNull()
        ->and(littleJudged($procedure, ['gap' => ['gap_mm' => 1]])->steps['gap']->summary?->in(UnitSystem::Metric))
        ->toBe('read');
});

it('says what is wrong with each part of a procedure file', function (array $steps, string $fault) {
    try {
        little($steps);
        $this->fail('must be refused');
    } catch (Refused $refused) {
        expect(implode(' ', array_column($refused->faults, 'message')))->toContain($fault);
    }
})->with([
    [[], 'steps: is empty'],
    [[['kind' => 'note', 'title' => 'No id']], 'steps[0].id: is missing'],
    [[GAP, GAP], '"gap" stands twice'],
    [[['after' => ['later']] + GAP], 'steps[0].after[0]: "later" is no earlier step'],
    [[['kind' => 'round'] + GAP], 'a round needs at least two clock positions'],
    [[['fields' => [['key' => 'gap', 'label' => 'G', 'quantity' => 'length']]] + GAP], '"gap" must end in a unit of length'],
    [[['fields' => [['key' => 'g_mm', 'label' => 'G', 'quantity' => 'width']]] + GAP], '"width" is no quantity'],
    [[['fields' => [['key' => 'g', 'label' => 'G', 'type' => 'colour']]] + GAP], 'fields[0].type: must be one of'],
    [
        [['judge' => [['calc' => 'guarded-verdict', 'in' => ['value' => '$param.least_mm']]]] + GAP],
        '"$param.least_mm" is not among the parameters',
    ],
]);

it('counts the signature out when it asks whether a subject may be signed', function () {
    $procedure = little([
        GAP,
        [
            'id' => 'extra',
            'kind' => 'note',
            'title' => 'Extra',
            'optional' => true,
            'fields' => [['key' => 'text', 'label' => 'Text', 'type' => 'text']],
        ],
        ['id' => 'sign', 'kind' => 'hold', 'title' => 'Sign', 'fields' => []],
    ]);
    expect(littleJudged($procedure, [])->readyForSignature())
        ->toBeFalse()
        ->and(littleJudged($procedure, ['gap' => ['gap_mm' => 1]])->readyForSignature())
        ->toBeTrue()
        ->and(littleJudged($procedure, ['gap' => ['gap_mm' => 1]])->total)
        ->toBe(2)
        ->and(littleJudged($procedure, ['gap' => ['gap_mm' => 1], 'extra' => ['text' => 'seen']])->total)
        ->toBe(3);
});

it('answers at the command line with the exit code that scripts go by', function () {
    expect(console(['calc', 'dew-point', '{"air_c": 20, "rh_pct": 50}'])[0])
        ->toBe(0)
        ->and(json_decode(console(['calc', 'dew-point'], '{"air_f": 68, "rh_pct": 50}')[1], true)['dew_c'])
        ->toEqualWithDelta(9.255175, 1e-5)
        ->and(console(['calc', 'dew-point', '{"air_c": 20}']))
        ->toMatchArray([0 => 2, 1 => '{"error":{"field":"rh_pct","message":"rh_pct is missing."}}'."\n"])
        ->and(console(['calc', 'dew-point', 'not json'])[0])
        ->toBe(2)
        ->and(console(['calc', 'dew-point', '[1]'])[0])
        ->toBe(2)
        ->and(console(['calc', 'unheard-of', '{}'])[0])
        ->toBe(2)
        ->and(console([])[0])
        ->toBe(64)
        ->and(console(['calc'])[0])
        ->toBe(64)
        ->and(console(['help'])[0])
        ->toBe(0)
        ->and(json_decode(console(['calc', 'dew-point', '--schema'])[1], true)['required'])
        ->toBe(['air_c', 'rh_pct'])
        ->and(substr_count(console(['calc', '--list'])[1], "\n"))
        ->toBe(count(json_decode(console(['calc', '--list', '--schemas'])[1], true)));
    [$code, $out] = console(
        ['judge'],
        (string) json_encode(['procedure' => 'pvc-spigot-socket', 'now' => '2026-05-04T12:00:00Z', 'facts' => []]),
    );
    expect($code)
        ->toBe(0)
        ->and(json_decode($out, true))
        ->toMatchArray(['verdict' => 'open', 'next' => 'pipes', 'done' => 0]);
});

it('shows every reason in the units of the reader', function () {
    $judgement = littleJudged(little([GAP]), ['gap' => ['gap_in' => 0.2]]);
    expect($judgement->toArray(UnitSystem::Metric)['reasons'][0]['text'])
        ->toBe('Too wide: 5.1 mm.')
        ->and($judgement->toArray(UnitSystem::Us)['reasons'][0]['text'])
        ->toBe('Too wide: 0.200 in.');
});

/** A leak test that is asked for on gas lines, and the cut that it guards. */
function guarded(array $when, array $more = []): Procedure
{
    $ok = fn (string $label) => [['key' => 'ok', 'label' => $label, 'type' => 'yesno', 'want' => true]];

    return little([
        ['id' => 'leak', 'kind' => 'check', 'title' => 'Leak test', 'when' => $when, 'fields' => $ok('Tight')],
        ['id' => 'cut', 'kind' => 'check', 'title' => 'Cut', 'gate' => true, 'needs_good' => ['leak'], 'fields' => $ok('Cut')] + $more,
    ]);
}

it('keeps a step there while it is not known whether it is asked for, and what it guards shut', function (
    array $when,
    array $line,
    array $steps,
    bool $shut,
) {
    $judgement = littleJudged(guarded($when), [], $line);
    expect(array_keys($judgement->steps))
        ->toBe($steps)
        ->and($judgement->verdict)
        ->toBe(Verdict::Open)
        ->and($judgement->steps['cut']->lock !== null)
        ->toBe($shut);
})->with(function () {
    $is = fn (array $test) => ['of' => '$line.service'] + $test;
    $both = ['leak', 'cut'];

    return [
        'it is' => [[$is(['is' => 'gas'])], ['service' => 'gas'], $both, true],
        'it is not' => [[$is(['is' => 'gas'])], ['service' => 'water'], ['cut'], false],
        'not known' => [[$is(['is' => 'gas'])], [], $both, true],
        'not, not known' => [[$is(['not' => 'water'])], [], $both, true],
        'not, and it is not' => [[$is(['not' => 'water'])], ['service' => 'gas'], $both, true],
        'in, not known' => [[$is(['in' => ['gas', 'sewer']])], [], $both, true],
        'a number not known' => [[['of' => '$line.dn_mm', 'min' => 63]], [], $both, true],
        'a number on its limit' => [[['of' => '$line.dn_mm', 'min' => 63, 'max' => 63]], ['dn_mm' => 63.0], $both, true],
        'a number below' => [[['of' => '$line.dn_mm', 'min' => 63]], ['dn_mm' => 62.9], ['cut'], false],
        'a word where a number is compared' => [[['of' => '$line.dn_mm', 'min' => 63]], ['dn_mm' => 'large'], $both, true],
        'unknown shall mean no' => [[$is(['known' => true]), $is(['is' => 'gas'])], [], ['cut'], false],
        'one of several' => [[['any' => [$is(['is' => 'gas']), ['of' => '$line.dn_mm', 'min' => 63]]]], ['dn_mm' => 110], $both, true],
        'one of several, one not known' => [
            [['any' => [$is(['is' => 'gas']), ['of' => '$line.dn_mm', 'min' => 63]]]],
            ['dn_mm' => 50],
            $both,
            true,
        ],
        'none of several' => [
            [['any' => [$is(['is' => 'gas']), ['of' => '$line.dn_mm', 'min' => 63]]]],
            ['dn_mm' => 50, 'service' => 'water'],
            ['cut'],
            false,
        ],
        'one that does not hold settles all' => [
            [$is(['is' => 'gas']), ['of' => '$line.dn_mm', 'min' => 63]],
            ['dn_mm' => 50],
            ['cut'],
            false,
        ],
    ];
});

it('settles a chain of conditions by what is certainly not asked for', function () {
    $yes = fn (string $id, array $more = []) => [
        'id' => $id,
        'kind' => 'check',
        'title' => $id,
        'fields' => [['key' => 'ok', 'label' => 'OK', 'type' => 'yesno']],
    ] + $more;
    $chain = little([
        $yes('one', ['when' => [['of' => '$line.service', 'is' => 'gas']]]),
        $yes('two', ['when' => [['of' => '$step.one.ok', 'is' => true]]]),
        $yes('three', ['when' => [['of' => ['$good' => 'two'], 'is' => true]]]),
        $yes('last'),
    ]);
    expect(array_keys(littleJudged($chain, [], ['service' => 'water'])->steps))->toBe(['last'])
        ->and(array_keys(littleJudged($chain, [], ['service' => 'gas'])->steps))->toBe(['one', 'two', 'three', 'last'])
        ->and(array_keys(littleJudged($chain, ['one' => ['ok' => false]], ['service' => 'gas'])->steps))->toBe(['one', 'last']);
});

it('is open where it is not known whether a rule applies, and says what is missing', function () {
    $rule = ['when' => [['of' => '$line.service', 'is' => 'gas']]] + GAP['judge'][0];
    $judged = fn (array $line) => littleJudged(little([['judge' => [$rule]] + GAP]), ['gap' => ['gap_mm' => 9]], $line);
    expect($judged([])->verdict)
        ->toBe(Verdict::Open)
        ->and($judged(['service' => 'gas'])->verdict)
        ->toBe(Verdict::Bad)
        ->and($judged(['service' => 'water'])->verdict)
        ->toBe(Verdict::Good)
        ->and($judged([])->steps['gap']->reasons[0]->text->in(UnitSystem::Metric))
        ->toBe('Cannot be judged yet: what the line carries is not recorded.');
});

it('keeps what was done while it was shut to protect people, and calls it bad for good', function (array $order, Verdict $wanted) {
    $judgement = littleJudged(guarded([['of' => '$line.service', 'is' => 'gas']]), $order, ['service' => 'gas']);
    expect($judgement->steps['cut']->verdict)->toBe($wanted);
    if ($wanted === Verdict::Bad) {
        expect($judgement->steps['cut']->reasons[0]->text->in(UnitSystem::Metric))->toContain(
            'while it was shut: "Leak test" must be good first.',
        );
    }
})->with([
    'in order' => [['leak' => ['ok' => true], 'cut' => ['ok' => true]], Verdict::Good],
    'cut first' => [['cut' => ['ok' => true], 'leak' => ['ok' => true]], Verdict::Bad],
    'after a leak' => [['leak' => ['ok' => false], 'cut' => ['ok' => true]], Verdict::Bad],
    'without a test' => [['cut' => ['ok' => true]], Verdict::Bad],
]);

it('does not let an entry that corrects the first one make it done later', function () {
    $procedure = guarded([['of' => '$line.service', 'is' => 'gas']]);
    $fact = fn (string $id, string $step, string $at, ?string $supersedes = null) => new Fact(
        $id,
        $step,
        ['ok' => true],
        new DateTimeImmutable("2026-05-04T{$at}Z"),
        supersedes: $supersedes,
    );
    $judged = fn (array $facts) => Judge::judge($procedure, $facts, ['service' => 'gas'], new DateTimeImmutable('2026-05-04T12:00:00Z'))
        ->steps['cut']->verdict;
    expect($judged([$fact('l', 'leak', '08:00'), $fact('c', 'cut', '09:00'), $fact('d', 'cut', '10:00', 'c')]))
        ->toBe(Verdict::Good)
        ->and($judged([$fact('c', 'cut', '07:00'), $fact('l', 'leak', '08:00'), $fact('d', 'cut', '10:00', 'c')]))
        ->toBe(Verdict::Bad);
});

it('judges a limit without uncertainty the same way by each of its forms', function (array $limit) {
    // The power is the square of what is entered: 9 W for 3 V, 100 W for 10 V, on one ohm.
    $text = fn (array $more) => littleText([
        [
            'id' => 'one',
            'kind' => 'number',
            'title' => 'One',
            'fields' => [['key' => 'x', 'label' => 'X', 'type' => 'number']],
            'judge' => [
                [
                    'calc' => 'fusion-energy',
                    'in' => ['u_v' => '$fact.x', 'r_ohm' => 1, 't_s' => 1],
                    'limits' => [$more + ['of' => 'power_w'] + $limit],
                ],
            ],
        ],
    ]);
    $judged = fn (array $more, float $x) => littleJudged(Procedure::frozen($text($more), 'x'), ['one' => ['x' => $x]])->verdict;
    expect(fn () => Procedure::from($text([])))
        ->toThrow(Refused::class, 'has no uncertainty u')
        ->and($judged([], 3))
        ->toBe(Verdict::Open)
        ->and($judged([], 10))
        ->toBe(Verdict::Open)
        ->and($judged(['rule' => 'simple'], 3))
        ->toBe(Verdict::Good)
        ->and($judged(['rule' => 'simple'], 10))
        ->toBe(Verdict::Bad)
        ->and($judged(['u' => 0], 3))
        ->toBe(Verdict::Good)
        ->and($judged(['u' => 4], 3))
        ->toBe(Verdict::Close)
        ->and($judged(['u' => 4], 10))
        ->toBe(Verdict::Bad)
        ->and($judged(['u' => '$line.sdr'], 3))
        ->toBe(Verdict::Open);
})->with([[['max' => 12]], [['min' => 6, 'max' => 12]], [['within' => 9, 'tol' => 3]]]);

it('judges within on both sides of what is wanted', function (float $x, Verdict $wanted) {
    $text = littleText([
        [
            'id' => 'one',
            'kind' => 'number',
            'title' => 'One',
            'fields' => [['key' => 'x', 'label' => 'X', 'type' => 'number']],
            'judge' => [
                [
                    'calc' => 'fusion-energy',
                    'in' => ['u_v' => '$fact.x', 'r_ohm' => 1, 't_s' => 1],
                    'limits' => [['of' => 'power_w', 'within' => 100, 'tol' => 19, 'u' => 0]],
                ],
            ],
        ],
    ]);
    expect(littleJudged(Procedure::from($text), ['one' => ['x' => $x]])->verdict)->toBe($wanted);
})->with([[8, Verdict::Bad], [9, Verdict::Good], [10, Verdict::Good], [10.9, Verdict::Good], [11, Verdict::Bad]]);

it('excuses a bad verdict that rests on these codes alone, while it is known that it may', function (
    array $card,
    array $line,
    ?bool $may,
    Verdict $wanted,
) {
    $fields = [
        ['key' => 'until', 'label' => 'Until', 'type' => 'day'],
        ['key' => 'works', 'label' => 'Works', 'type' => 'text'],
        ['key' => 'may', 'label' => 'May', 'type' => 'yesno', 'optional' => true],
    ];
    $rule = [
        'calc' => 'operator-card',
        'in' => [
            'used_at' => '$at',
            'valid_until' => '$fact.until',
            'work' => 'electrofusion',
            'works' => '$fact.works',
            'dn_mm' => '$line.dn_mm',
            'dn_min_mm' => 20,
            'dn_max_mm' => 110,
            'material' => 'PE',
            'materials' => 'PE',
        ],
        'limits' => [['of' => 'days_left', 'max' => 1000, 'u' => 0]],
        'excuse' => ['of' => 'fails', 'codes' => ['expiry'], 'when' => [['of' => '$fact.may', 'is' => true]], 'as' => 'close'],
    ];
    $procedure = little([['id' => 'card', 'kind' => 'number', 'title' => 'Card', 'fields' => $fields, 'judge' => [$rule]]]);
    expect(littleJudged($procedure, ['card' => $card + ($may === null ? [] : ['may' => $may])], $line)->verdict)->toBe($wanted);
})->with([
    'expired, and it may be' => [['until' => '2026-05-01', 'works' => 'electrofusion'], ['dn_mm' => 63], true, Verdict::Close],
    'expired, and it may not' => [['until' => '2026-05-01', 'works' => 'electrofusion'], ['dn_mm' => 63], false, Verdict::Bad],
    'expired, not known whether it may' => [['until' => '2026-05-01', 'works' => 'electrofusion'], ['dn_mm' => 63], null, Verdict::Bad],
    'expired and too small' => [['until' => '2026-05-01', 'works' => 'electrofusion'], ['dn_mm' => 225], true, Verdict::Bad],
    'bad without a code' => [['until' => '2030-05-01', 'works' => 'electrofusion'], ['dn_mm' => 63], true, Verdict::Bad],
]);

it('takes a trace for whole only with all its parts and the last of them', function (array $parts, string $status, Verdict $wanted) {
    $procedure = little([['id' => 'log', 'kind' => 'trace', 'title' => 'Log', 'columns' => ['t_s', 'u_v'], 'once' => true]]);
    $facts = array_map(
        fn (array $p) => new Fact(
            "p{$p[0]}",
            'log',
            ['trace' => '11111111-1111-4111-8111-111111111111', 'part' => $p[0], 'final' => $p[1], 'samples' => [[$p[0], 1]]],
            new DateTimeImmutable(DAY),
        ),
        $parts,
    );
    $state = Judge::judge($procedure, $facts, [], new DateTimeImmutable(DAY))->steps['log'];
    expect($state->status)->toBe($status)->and($state->verdict)->toBe($wanted);
})->with([
    'one whole' => [[[0, true]], 'done', Verdict::Good],
    'two' => [[[0, false], [1, true]], 'done', Verdict::Good],
    'two, the other way round' => [[[1, true], [0, false]], 'done', Verdict::Good],
    'without its end' => [[[0, false], [1, false]], 'running', Verdict::Open],
    'without its middle' => [[[0, false], [2, true]], 'running', Verdict::Open],
    'without its beginning' => [[[1, true]], 'running', Verdict::Open],
]);

it('shows a caution and wants a photo while it is not known whether they apply', function (array $line, array $cautions, Verdict $wanted) {
    $gas = [['of' => '$line.service', 'is' => 'gas']];
    $procedure = little([
        [
            'id' => 'one',
            'kind' => 'check',
            'title' => 'One',
            'fields' => [['key' => 'ok', 'label' => 'OK', 'type' => 'yesno', 'want' => true]],
            'photo' => ['of' => 'the joint', 'wanted' => $gas],
            'cautions' => ['Always.', ['text' => 'Gas.', 'when' => $gas]],
        ],
    ]);
    $state = littleJudged($procedure, ['one' => ['ok' => true]], $line)->steps['one'];
    expect($state->cautions)->toBe($cautions)->and($state->verdict)->toBe($wanted);
})->with([
    [['service' => 'gas'], ['Always.', 'Gas.'], Verdict::Open],
    [['service' => 'water'], ['Always.'], Verdict::Good],
    [[], ['Always.', 'Gas.'], Verdict::Open],
]);

it('lets a trace be made twice only by a permit that is known', function (?bool $signed, Verdict $wanted, bool $again) {
    $procedure = little([
        [
            'id' => 'permit',
            'kind' => 'check',
            'title' => 'Permit',
            'optional' => true,
            'fields' => [['key' => 'given', 'label' => 'Given', 'type' => 'yesno', 'optional' => true]],
        ],
        [
            'id' => 'log',
            'kind' => 'trace',
            'title' => 'Log',
            'columns' => ['t_s', 'u_v'],
            'once' => true,
            'once_unless' => [['of' => '$step.permit.given', 'is' => true]],
        ],
    ]);
    $trace = fn (int $n) => new Fact(
        "t{$n}",
        'log',
        ['trace' => "1111111{$n}-1111-4111-8111-111111111111", 'part' => 0, 'final' => true, 'samples' => [[0, 1]]],
        new DateTimeImmutable(DAY),
    );
    $permit = new Fact('p', 'permit', $signed === null ? [] : ['given' => $signed], new DateTimeImmutable(DAY));
    $judged = fn (array $facts) => Judge::judge($procedure, $facts, [], new DateTimeImmutable(DAY))->steps['log'];
    expect($judged([$permit, $trace(1)])->again)
        ->toBe($again)
        ->and($judged([$permit, $trace(1)])->verdict)
        ->toBe(Verdict::Good)
        ->and($judged([$permit, $trace(1), $trace(2)])->verdict)
        ->toBe($wanted)
        ->and($judged([$permit, $trace(1), $trace(2), $trace(3)])->verdict)
        ->toBe(Verdict::Bad);
})->with([[true, Verdict::Close, true], [false, Verdict::Bad, false], [null, Verdict::Bad, false]]);

it('holds a limit in the unit of what it limits', function () {
    // The fact is in metres, the result in millimetres: a circumference of 345.575 mm is a diameter of 110 mm.
    $step = fn (float $most) => little([
        [
            'id' => 'one',
            'kind' => 'number',
            'title' => 'One',
            'fields' => [['key' => 'most_m', 'label' => 'Most', 'quantity' => 'length']],
            'judge' => [
                [
                    'calc' => 'circumference-od',
                    'in' => ['circumference_mm' => 345.575, 'tape_kind' => 'plain'],
                    'limits' => [['of' => 'od_mm', 'max' => '$fact.most_m', 'u' => 0]],
                ],
            ],
        ],
    ]);
    expect(littleJudged($step(1), ['one' => ['most_m' => 0.111]])->verdict)
        ->toBe(Verdict::Good)
        ->and(littleJudged($step(1), ['one' => ['most_m' => 0.109]])->verdict)
        ->toBe(Verdict::Bad);
});
