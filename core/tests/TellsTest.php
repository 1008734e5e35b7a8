<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Tells\Takes;
use Diastoma\Core\Programme\JointMoments;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;

require_once __DIR__.'/helpers.php';

/* What a procedure tells the rest of the product, so that nobody else must know its steps. */

function tagOf(Judgement $judgement): array
{
    $tag = $judgement->told->tag(UnitSystem::Metric, new DateTimeZone('Europe/Zurich'));

    return [$tag['head']['text'], array_column($tag['lines'], 'text', 'label')];
}

/** @param  list<string>  $without  steps that are not done yet */
function couplerSoFar(array $without = []): Judgement
{
    return judged(Procedure::shipped()['ef-coupler-one-pass'], array_diff_key(couplerFacts(), array_flip($without)), [
        'closing_piece' => false,
        'pipes' => ['a' => '007', 'b' => '008'],
    ]);
}

it('tells clocks with what they are called, in which order, and with which step the waiting ends', function () {
    $clocks = couplerSoFar(['cooling', 'look', 'accept'])->told->clocks;
    expect(array_column($clocks, 'label', 'name'))
        ->toBe([
            'clamps_off' => 'Clamps off',
            'handle_from' => 'May be moved',
            'backfill_from' => 'May be covered',
            'test_from' => 'Pressure test not before',
        ])
        ->and(array_column($clocks, 'until', 'name')['clamps_off'])
        ->toBe('cooling')
        ->and(array_column($clocks, 'free', 'name'))
        ->toMatchArray(['clamps_off' => 'the clamps may come off', 'test_from' => null])
        ->and(couplerSoFar(['fusion', 'cooling', 'look', 'accept'])->told->clocks)
        ->toBe([]);
});

it('tells when the crew moves on', function () {
    expect(couplerSoFar(['fusion', 'cooling', 'look', 'accept'])->told->leftFace)
        ->toBeFalse()
        ->and(couplerSoFar(['cooling', 'look', 'accept'])->told->leftFace)
        ->toBeTrue()
        ->and(couplerSoFar()->told->leftFace)
        ->toBeTrue();
});

it('tells pipes and the row of the register by what was recorded, and nothing where nothing was', function () {
    $told = couplerSoFar()->told;
    expect($told->pipes)->toBe(['a' => '041', 'b' => '042'])->and($told->register['power_off_utc'])->not->toBeNull()
        ->and(couplerSoFar(['pipes', 'code', 'fusion'])->told->pipes)->toBe(['a' => null, 'b' => null])
        ->and(array_filter(couplerSoFar(['pipes', 'code', 'fusion'])->told->register))->toBe([]);
});

it('tells what stands on the tag, in the time of the place, and leaves out what is not known', function () {
    [$head, $lines] = tagOf(couplerSoFar());
    expect($head)
        ->toMatch('/^4 May, \d\d:\d\d$/')
        ->and($lines)
        ->toHaveKeys(['Operator', 'Power off', 'Pressure test not before'])
        ->and($lines['Operator'])
        ->toBe('J. Weir');
    [$head, $lines] = tagOf(couplerSoFar(['fusion', 'cooling', 'look', 'accept', 'kit']));
    expect($head)->toBe('not fused yet')->and($lines)->not->toHaveKeys(['Power off', 'Pressure test not before']);
});

it('fills in what is known already', function () {
    expect(couplerSoFar(['pipes'])->steps['pipes']->suggested)->toBe(['pipe_a' => '007', 'pipe_b' => '008'])
        ->and(couplerSoFar(['pipes'])->steps['conditions']->suggested)->toBe([]);
});

/** How long an act takes, as a text tells it. */
function takes(array $more = []): array
{
    return $more + ['min_by_od_mm' => [[63, 5], [110, 9]], 'source' => 'this shift', 'certainty' => 'practice'];
}

it('tells how long an act takes: as it was read, else by the size, and nothing where nothing is known', function () {
    $step = [
        'id' => 'one', 'kind' => 'number', 'title' => 'One',
        'fields' => [['key' => 'cooling_min', 'label' => 'Cooling', 'quantity' => 'time']],
    ];
    $read = takes(['read_min' => '$step.one.cooling_min', 'read_off' => 'the label']);
    $procedure = little([$step], ['tells' => ['takes' => ['cool' => $read, 'fit' => takes()]]]);
    $told = fn (array $line, array $facts = []): array => littleJudged($procedure, $facts, $line)->told->takes;
    expect(array_keys($told(['od_mm' => 110])))->toBe(['fit', 'cool'])
        ->and($told(['od_mm' => 63])['fit'])->toBe(['min' => 5.0, 'source' => 'this shift', 'certainty' => 'practice'])
        ->and($told(['od_mm' => 63.1])['fit']['min'])->toBe(9.0)
        ->and($told(['od_mm' => 110])['cool']['min'])->toBe(9.0)
        ->and($told(['od_mm' => 110.1]))->toBe(['fit' => null, 'cool' => null])
        ->and($told(['od_mm' => null]))->toBe(['fit' => null, 'cool' => null])
        ->and($told(['od_mm' => 400], ['one' => ['cooling_min' => 22]]))
        ->toBe(['fit' => null, 'cool' => ['min' => 22.0, 'source' => 'the label', 'certainty' => 'project']])
        ->and(littleJudged(little([$step]), [])->told->takes)->toBeNull();
});

it('is told by each joint in the line how long its acts take, fused ones with power and cooling', function () {
    foreach (Procedure::shipped() as $id => $procedure) {
        $example = Diastoma\Core\Procedure\Example::shipped()[$id] ?? null;
        if ($procedure->family !== 'joint' || $procedure->place !== 'in-line' || $example === null) {
            continue;
        }
        $takes = $example->judged()->told->takes;
        expect($takes)->not->toBeNull($id)
            ->and(array_keys($takes))->toBe(JointMoments::isFused($procedure) ? [...Takes::ACTS, Takes::REST] : ['prepare', 'fit'], $id)
            ->and(array_filter($takes, fn (?array $told) => $told === null || $told['min'] <= 0))->toBe([], $id);
    }
});

it('tells how long a cold joint waits for its test by the cooling, and nothing of it where the cooling is not known', function () {
    $step = ['id' => 'one', 'kind' => 'note', 'title' => 'One', 'fields' => []];
    $waits = fn (array $after, float $od): ?float => littleJudged(little([$step], [
        'parameters' => ['after' => ['value' => 4, 'source' => 'this shift', 'certainty' => 'practice']],
        'tells' => ['takes' => ['cool' => takes()], 'tested_after' => $after],
    ]), [], ['od_mm' => $od])->told->takes['rest']['min'] ?? null;
    // 9 min of cooling: four times that after power off, less the cooling; four minutes after power off are over before.
    expect($waits(['times_cooling' => 'after'], 110))->toBe(27.0)
        ->and($waits(['minutes' => 'after'], 110))->toBe(0.0)
        ->and($waits(['times_cooling' => 'after'], 200))->toBeNull();
});

it('names each slip in what a procedure tells', function (array $tells, string $sentence) {
    $step = ['id' => 'one', 'kind' => 'check', 'title' => 'One', 'fields' => [['key' => 'ok', 'label' => 'OK', 'type' => 'yesno']]];
    try {
        Procedure::from(['tells' => $tells] + littleText([$step]));
        $said = 'nothing';
    } catch (Refused $refused) {
        $said = implode("\n", array_column($refused->faults, 'message'));
    }
    expect($said)->toContain($sentence);
})->with([
    'a step' => [['pipes' => ['a' => '$step.oen.ok']], 'tells.pipes.a: there is no step "oen" in this procedure; known are one.'],
    'a side' => [['pipes' => ['c' => '$step.one.ok']], 'tells.pipes.c: "c" is not known here'],
    'a clock without a name' => [['clocks' => ['dry_from' => ['at' => '$step.one.@at']]], 'tells.clocks.dry_from.label: is missing'],
    'a clock that ends with no step' => [
        ['clocks' => ['dry_from' => ['at' => '$step.one.@at', 'label' => 'Dry', 'until' => 'tow']]],
        'tells.clocks.dry_from.until: there is no step "tow"',
    ],
    'a field' => [
        ['register' => ['fine' => ['label' => 'Fine', 'value' => '$step.one.okay']]],
        'tells.register.fine.value: "okay" is nothing that the step "one" records; did you mean "ok"?',
    ],
    'a place of the tag' => [
        ['tag' => ['head' => ['label' => 'Done', 'text' => '{stpe.one.@at|moment}']]],
        'tells.tag.head.text: {stpe.one.@at} leads nowhere; did you mean "step"?',
    ],
    'a condition' => [['leaves_face' => [['fo' => '$step.one.ok', 'is' => true]]], 'tells.leaves_face[0].fo: "fo" is not known here'],
    'how many come in its place' => [['cut_out' => ['joints' => 3]], 'tells.cut_out.joints: must be one of 0, 1, 2'],
    'a letter' => [['letter' => 'saddle'], 'tells.letter: "saddle" must be one or two capital letters'],
    'an act' => [['takes' => ['fix' => takes()]], 'tells.takes.fix: "fix" is not known here; did you mean "fit"?'],
    'where an act is read' => [
        ['takes' => ['cool' => takes(['read_min' => '$step.one.okay', 'read_off' => 'the label'])]],
        'tells.takes.cool.read_min: "okay" is nothing that the step "one" records; did you mean "ok"?',
    ],
    'an act read in two units' => [
        ['takes' => ['cool' => takes(['read_min' => '$step.one.ok', 'read_s' => '$step.one.ok', 'read_off' => 'the label'])]],
        'tells.takes.cool: is read in minutes or in seconds: one of the two',
    ],
    'an act that is read off nothing' => [
        ['takes' => ['cool' => takes(['read_min' => '$step.one.ok'])]],
        'tells.takes.cool: wants read_off where it is read, and only there',
    ],
    'a test after no cooling' => [
        ['takes' => ['fit' => takes()], 'tested_after' => ['minutes' => 'wait_min']],
        'tells.tested_after: is counted from power off, and nothing cools',
    ],
    'a test after what is no parameter' => [
        ['takes' => ['cool' => takes()], 'tested_after' => ['minutes' => 'wait_min']],
        'tells.tested_after.minutes: "$param.wait_min"',
    ],
    'a test after nothing' => [
        ['takes' => ['cool' => takes()], 'tested_after' => []],
        'tells.tested_after: wants minutes or times_cooling: one of the two',
    ],
    'sizes that do not rise' => [
        ['takes' => ['fit' => takes(['min_by_od_mm' => [[110, 5], [63, 4]]])]],
        'tells.takes.fit.min_by_od_mm: diameters must rise from row to row',
    ],
    'an act without time' => [
        ['takes' => ['fit' => takes(['min_by_od_mm' => [[110, 0]]])]],
        'tells.takes.fit.min_by_od_mm: what takes no time is left out',
    ],
    'an act without source' => [['takes' => ['fit' => ['source' => ''] + takes()]], 'tells.takes.fit.source'],
    'what ships' => [
        ['use' => 'electrofusion-cuopler'],
        'tells.use: "electrofusion-cuopler" does not ship; did you mean "electrofusion-coupler"?',
    ],
]);

it('reads an older text, which tells its clocks only, as it was always shown', function () {
    $text = (array) json_decode((string) file_get_contents(__DIR__.'/frozen/schema-1.json'), true);
    $told = judged(Procedure::frozen($text, Procedure::hash($text)), couplerFactsOfFirstSchema(), ['closing_piece' => false])->told;
    expect(array_column($told->clocks, 'label', 'name'))
        ->toMatchArray(['clamps_off' => 'Clamps off', 'test_from' => 'Pressure test not before'])
        ->and($told->pipes)
        ->toBe(['a' => '041', 'b' => '042'])
        ->and($told->leftFace)
        ->toBeTrue();
});
