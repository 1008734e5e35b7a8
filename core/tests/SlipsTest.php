<?php

declare(strict_types=1);

use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Bindings;
use Diastoma\Core\Procedure\JudgeFromJson;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;

/*
 * Ordinary slips of somebody who writes a procedure. Each loaded without a word once, and a rule that was meant to
 * judge judged nothing: what is misspelt is refused, with its place and what was meant.
 */

/** @return array<string, mixed> the smallest procedure in which each kind of place occurs */
function sound(): array
{
    return [
        'schema' => 'diastoma-procedure-1', 'id' => 'cut-only', 'version' => '1', 'title' => 'A cut', 'joint_type' => 'practice',
        'parameters' => ['range_mm' => ['value' => 2, 'label' => 'out of square', 'source' => 'example', 'certainty' => 'practice']],
        'steps' => [
            ['id' => 'kind', 'kind' => 'choice', 'title' => 'Kind of end', 'fields' => [
                ['key' => 'end', 'label' => 'End', 'type' => 'choice', 'options' => [['value' => 'cut', 'label' => 'Cut here'], ['value' => 'rough', 'label' => 'Broken', 'verdict' => 'bad', 'do' => 'Cut it.']]],
            ]],
            ['id' => 'cut', 'kind' => 'round', 'title' => 'Cut face', 'after' => ['kind'], 'when' => [['of' => '$step.kind.end', 'is' => 'cut']], 'positions' => ['12:00', '3:00', '6:00', '9:00'],
                'fields' => [['key' => 'value_mm', 'label' => 'Out', 'quantity' => 'length', 'min' => 0, 'max' => 50]],
                'early' => ['verdict' => 'bad', 'text' => 'Too early.'],
                'photo' => ['of' => 'the face', 'wanted' => [['of' => '$fact.readings', 'known' => true]]],
                'cautions' => ['Gloves.', ['text' => 'Wet ground.', 'when' => [['of' => '$line.service', 'is' => 'water']]]],
                'judge' => [[
                    'calc' => 'cut-squareness', 'limit' => 'range_mm', 'judges' => ['bad', 'open'],
                    'in' => ['readings' => ['$rows' => 'readings', 'x_mm' => 'value_mm', 'angle_deg' => 'angle'], 'limit_mm' => '$param.range_mm'],
                    'limits' => [['of' => 'raw_range_mm', 'max' => '$param.range_mm', 'u' => 0.5]],
                    'excuse' => ['of' => 'warnings', 'codes' => ['bunched'], 'when' => [['of' => '$fact.readings', 'known' => true]], 'as' => 'close'],
                    'say' => [['verdict' => 'bad', 'text' => 'Out of square.', 'do' => 'Cut again.']],
                ]],
            ],
        ],
    ];
}

/**
 * The same with one key of a place called otherwise, or one word put in the place of another.
 *
 * @param  list<int|string>  $place
 * @return array<string, mixed>
 */
function slipped(array $place, int|string $was, mixed $now, bool $word): array
{
    $text = sound();
    $at = &$text;
    foreach ($place as $key) {
        $at = &$at[$key];
    }
    if ($word) {
        $at[$was] = $now;
    } else {
        $at[$now] = $at[$was];
        unset($at[$was]);
    }

    return $text;
}

/** @return list<string> */
function refusedFor(array $text): array
{
    try {
        Procedure::from($text);
    } catch (Refused $refused) {
        return array_column($refused->faults, 'message');
    }

    return [];
}

dataset('slips', [
    'head' => [[], 'joint_type', 'joint_typ', false, 'joint_typ: "joint_typ" is not known here; did you mean "joint_type"?'],
    'parameter' => [['parameters', 'range_mm'], 'certainty', 'certainity', false, 'parameters.range_mm.certainity: "certainity" is not known here; did you mean "certainty"?'],
    'step' => [['steps', 1], 'judge', 'jugde', false, 'steps[1].jugde: "jugde" is not known here; did you mean "judge"?'],
    'when' => [['steps', 1], 'when', 'wehn', false, 'steps[1].wehn: "wehn" is not known here; did you mean "when"?'],
    'needs_good' => [['steps', 1], 'after', 'need_good', false, 'steps[1].need_good: "need_good" is not known here; did you mean "needs_good"?'],
    'field' => [['steps', 1, 'fields', 0], 'max', 'maximum', false, 'steps[1].fields[0].maximum: "maximum" is not known here; known are key, label, type, of, preset, quantity, min, max, optional, want, otherwise, bad, do, options.'],
    'option' => [['steps', 0, 'fields', 0, 'options', 1], 'verdict', 'verdikt', false, 'steps[0].fields[0].options[1].verdikt: "verdikt" is not known here; did you mean "verdict"?'],
    'verdict of an option' => [['steps', 0, 'fields', 0, 'options', 1], 'verdict', 'Bad', true, 'steps[0].fields[0].options[1].verdict: must be one of good, close, bad, open, not "Bad".'],
    'rule' => [['steps', 1, 'judge', 0], 'limits', 'limit_s', false, 'steps[1].judge[0].limit_s: "limit_s" is not known here; did you mean "limits"?'],
    'judges with a capital' => [['steps', 1, 'judge', 0, 'judges'], 0, 'Bad', true, 'steps[1].judge[0].judges[0]: must be one of good, close, bad, open, not "Bad".'],
    'limit' => [['steps', 1, 'judge', 0, 'limits', 0], 'max', 'mx', false, 'steps[1].judge[0].limits[0].mx: "mx" is not known here; did you mean "max"?'],
    'sentence' => [['steps', 1, 'judge', 0, 'say', 0], 'verdict', 'verdct', false, 'steps[1].judge[0].say[0].verdct: "verdct" is not known here; did you mean "verdict"?'],
    'verdict of a sentence' => [['steps', 1, 'judge', 0, 'say', 0], 'verdict', 'baad', true, 'steps[1].judge[0].say[0].verdict: must be one of good, close, bad, open, not "baad".'],
    'excuse' => [['steps', 1, 'judge', 0, 'excuse'], 'as', 'as_', false, 'steps[1].judge[0].excuse.as_: "as_" is not known here; did you mean "as"?'],
    'verdict of an excuse' => [['steps', 1, 'judge', 0, 'excuse'], 'as', 'goood', true, 'steps[1].judge[0].excuse.as: must be one of good, close, bad, open, not "goood".'],
    'condition' => [['steps', 1, 'when', 0], 'is', 'iss', false, 'steps[1].when[0].iss: "iss" is not known here; did you mean "is"?'],
    'condition of a caution' => [['steps', 1, 'cautions', 1, 'when', 0], 'of', 'off', false, 'steps[1].cautions[1].when[0].off: "off" is not known here; did you mean "of"?'],
    'condition of a photo' => [['steps', 1, 'photo', 'wanted', 0], 'known', 'knwon', false, 'steps[1].photo.wanted[0].knwon: "knwon" is not known here; did you mean "known"?'],
    'early' => [['steps', 1, 'early'], 'verdict', 'closse', true, 'steps[1].early.verdict: must be one of good, close, bad, open, not "closse".'],
]);

it('loads the text that has no slip', function () {
    expect(refusedFor(sound()))->toBe([])->and((new Opis\JsonSchema\Validator)->validate(json_decode((string) json_encode(sound())), (string) file_get_contents(Data::folder().'/schema/procedure.json'))->isValid())->toBeTrue();
});

it('names a slip with its place and what was meant', function (array $place, int|string $was, string $now, bool $word, string $sentence) {
    expect(refusedFor(slipped($place, $was, $now, $word)))->toContain($sentence);
})->with('slips');

it('refuses what the published schema refuses', function (array $place, int|string $was, string $now, bool $word) {
    $text = json_decode((string) json_encode(slipped($place, $was, $now, $word)));
    expect((new Opis\JsonSchema\Validator)->validate($text, (string) file_get_contents(Data::folder().'/schema/procedure.json'))->isValid())->toBeFalse();
})->with('slips');

it('leaves no place of the published schema open', function () {
    $open = [];
    $look = function (array $node, string $path) use (&$look, &$open): void {
        if (isset($node['properties']) && ! array_key_exists('additionalProperties', $node) && ! array_key_exists('unevaluatedProperties', $node)) {
            $open[] = $path;
        }
        foreach ($node as $key => $below) {
            is_array($below) && $look($below, "{$path}/{$key}");
        }
    };
    $look(Data::json('schema/procedure.json'), '');
    // Closed where it is referred to, with the keys that stand beside it there.
    expect($open)->toBe(['/$defs/step']);
});

it('knows no rule that judges nothing, no empty sentences, no form that it does not know', function () {
    $rule = fn (array $but) => refusedFor(array_replace_recursive(sound(), ['steps' => [1 => ['judge' => [$but]]]]));
    $without = sound();
    $without['steps'][1]['judge'][0] = ['own_verdict' => false, 'limits' => [], 'say' => []] + $without['steps'][1]['judge'][0];
    expect(refusedFor($without))->toContain('steps[1].judge[0].own_verdict: is false and there are no limits: nothing would be judged.', 'steps[1].judge[0].say: is empty: leave it out, or say something.')
        ->and($rule(['in' => ['u_mm' => ['$frist' => ['$param.range_mm', 1]]]]))->toContain('steps[1].judge[0].in.u_mm.$frist: "$frist" is no form; known are '.implode(', ', Bindings::FORMS).'.');
});

it('names a path that leads to no step and no calculation', function (array $but, string $sentence) {
    expect(refusedFor(array_replace_recursive(sound(), ['steps' => [1 => $but]])))->toContain($sentence);
})->with([
    'condition of a step' => [['when' => [['of' => '$step.kidn.end']]], 'steps[1].when[0].of: there is no step "kidn" in this procedure.'],
    'condition of a caution' => [['cautions' => [1 => ['when' => [['of' => '$step.kind@c.end']]], 2 => ['text' => 'x', 'when' => [['of' => '$step.king.end', 'is' => 'cut']]]]], 'steps[1].cautions[2].when[0].of: there is no step "king" in this procedure.'],
    'result of a step' => [['judge' => [['in' => ['u_mm' => '$result.cut.squareness.raw_range_mm']]]], 'steps[1].judge[0].in.u_mm: the step "cut" computes no "squareness".'],
    'result of this step' => [['not_before' => '$here.clock.free_from'], 'steps[1].not_before: the step "cut" computes no "clock".'],
    'form that names a step' => [['judge' => [['when' => [['of' => ['$good' => 'gap'], 'is' => true]]]]], 'steps[1].judge[0].when[0].of.$good: there is no step "gap" in this procedure.'],
]);

it('follows the clocks too', function () {
    expect(refusedFor(sound() + ['clocks' => ['clamps_off' => '$result.cooling.clock.clamps_off']]))->toContain('clocks.clamps_off: there is no step "cooling" in this procedure.');
});

it('says what is wrong with a large file of another kind in no time', function () {
    $many = sound() + array_fill_keys(array_map(fn (int $i) => "key {$i}", range(1, 20000)), [1, 2, 3]);
    expect(count(refusedFor($many)))->toBe(200)
        ->and(refusedFor(sound() + [str_repeat('é', 100000) => 1])[0])->toStartWith(str_repeat('é', 59).'…: "'.str_repeat('é', 59).'…" is not known here; known are schema, id');
});

it('judges by a text frozen before its rules were closed, and takes the same text anew no more', function () {
    $old = sound() + ['remark' => 'from before'];
    $judged = fn (array $more) => (new JudgeFromJson)(['procedure' => $old, 'facts' => [['step' => 'kind', 'value' => ['end' => 'rough'], 'at' => '2026-05-04T10:00:00Z']], 'now' => '2026-05-04T11:00:00Z'] + $more);
    expect($judged(['frozen' => Procedure::hash($old)])['verdict'])->toBe('bad')
        ->and(fn () => $judged([]))->toThrow(Refused::class, 'remark: "remark" is not known here')
        ->and(fn () => $judged(['frozen' => Procedure::hash(sound())]))->toThrow(Refused::class);
});
