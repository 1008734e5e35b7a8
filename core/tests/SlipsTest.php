<?php

declare(strict_types=1);

use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Compile\StepLibrary;
use Diastoma\Core\Procedure\FieldSpec;
use Diastoma\Core\Procedure\JudgeFromJson;
use Diastoma\Core\Procedure\Kind\Kinds;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

/*
 * Ordinary slips of somebody who writes a procedure. Each loaded without a word once, and a rule that was meant to
 * judge judged nothing: what is misspelt is refused, with its place and what was meant.
 */

/** @return array<string, mixed> the smallest procedure in which each kind of place occurs */
function sound(): array
{
    return [
        'schema' => 'diastoma-procedure-2',
        'id' => 'cut-only',
        'version' => '1',
        'title' => 'A cut',
        'joint_type' => 'practice',
        'clocks' => ['test_from' => '$result.cut.dry.until_utc'],
        'parameters' => [
            'range_mm' => ['value' => 2, 'label' => 'out of square', 'source' => 'example', 'certainty' => 'practice'],
            'u_mm' => ['value' => 0.5, 'label' => 'uncertainty of the rule', 'source' => 'example', 'certainty' => 'practice'],
            'dry_min' => ['value' => 5, 'label' => 'drying', 'source' => 'example', 'certainty' => 'practice'],
        ],
        'steps' => [
            [
                'id' => 'kind',
                'kind' => 'choice',
                'title' => 'Kind of end',
                'fields' => [
                    [
                        'key' => 'end',
                        'label' => 'End',
                        'type' => 'choice',
                        'options' => [
                            ['value' => 'cut', 'label' => 'Cut here'],
                            ['value' => 'rough', 'label' => 'Broken', 'verdict' => 'bad', 'do' => 'Cut it.'],
                        ],
                    ],
                ],
            ],
            [
                'id' => 'cut',
                'kind' => 'round',
                'title' => 'Cut face',
                'after' => ['kind'],
                'needs_good' => ['kind'],
                'when' => [['of' => '$step.kind.end', 'is' => 'cut']],
                'positions' => ['12:00', '3:00', '6:00', '9:00'],
                'not_before' => '$step.kind.@at',
                'fields' => [['key' => 'value_mm', 'label' => 'Out', 'quantity' => 'length', 'min' => 0, 'max' => 50]],
                'early' => ['verdict' => 'bad', 'text' => 'Too early.'],
                'photo' => ['of' => 'the face', 'wanted' => [['of' => '$fact.remark', 'known' => true]]],
                'cautions' => ['Gloves.', ['text' => 'Wet ground.', 'when' => [['of' => '$line.service', 'is' => 'water']]]],
                'judge' => [
                    [
                        'calc' => 'elapsed',
                        'calc_as' => 'dry',
                        'judges' => false,
                        'in' => ['from' => '$at', 'least_min' => '$param.dry_min'],
                    ],
                    [
                        'calc' => 'cut-squareness',
                        'limit' => 'range_mm',
                        'judges' => ['bad', 'open', 'close'],
                        'in' => [
                            'readings' => '$fact.readings',
                            'od_mm' => '$line.od_mm',
                            'limit_out_of_square_mm' => '$param.range_mm',
                            'u_expanded' => ['$first' => ['$param.u_mm', 1]],
                        ],
                        'limits' => [['of' => 'raw_range_mm', 'max' => '$param.range_mm', 'u' => '$param.u_mm']],
                        'excuse' => [
                            'of' => 'reasons',
                            'codes' => ['bunched'],
                            'when' => [['of' => '$fact.remark', 'known' => true]],
                            'as' => 'close',
                        ],
                        'say' => [
                            ['verdict' => 'bad', 'text' => 'Out of square by {result.raw_range_mm|1}.', 'do' => 'Cut again.'],
                            ['has' => 'reasons:bunched', 'verdict' => 'open', 'text' => 'Read all round.'],
                            ['verdict' => ['open', 'close'], 'text' => 'Read more.'],
                        ],
                    ],
                ],
                'summary' => '{here.cut-squareness.raw_range_mm|1}',
            ],
        ],
    ];
}

/**
 * The same with one thing put at a place; null takes it away.
 *
 * @param  string  $place  keys with dots between
 * @return array<string, mixed>
 */
function slipped(string $place, mixed $now): array
{
    $text = sound();
    $keys = explode('.', $place);
    $last = array_pop($keys);
    $at = &$text;
    foreach ($keys as $key) {
        $at = &$at[$key];
    }
    if ($now === null) {
        unset($at[$last]);
    } else {
        $at[$last] = $now;
    }

    return $text;
}

/**
 * The same with a key called otherwise.
 *
 * @return array<string, mixed>
 */
function renamed(string $place, string $was, string $now): array
{
    $text = sound();
    $at = &$text;
    foreach ($place === '' ? [] : explode('.', $place) as $key) {
        $at = &$at[$key];
    }
    $at[$now] = $at[$was];
    unset($at[$was]);

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

const RULE = 'steps[1].judge[1]';

dataset('slips of form', [
    'key of the head' => [renamed('', 'joint_type', 'joint_typ'), 'joint_typ: "joint_typ" is not known here; did you mean "joint_type"?'],
    'key of a parameter' => [
        renamed('parameters.range_mm', 'certainty', 'certainity'),
        'parameters.range_mm.certainity: "certainity" is not known here; did you mean "certainty"?',
    ],
    'judge' => [renamed('steps.1', 'judge', 'jugde'), 'steps[1].jugde: "jugde" is not known here; did you mean "judge"?'],
    'when' => [renamed('steps.1', 'when', 'wehn'), 'steps[1].wehn: "wehn" is not known here; did you mean "when"?'],
    'needs_good' => [
        renamed('steps.1', 'needs_good', 'need_good'),
        'steps[1].need_good: "need_good" is not known here; did you mean "needs_good"?',
    ],
    'key of a field' => [
        renamed('steps.1.fields.0', 'max', 'maximum'),
        'steps[1].fields[0].maximum: "maximum" is not known here; known are key, label, type, of, preset, suggest, scanned, delivered, '.
            'quantity, min, max, optional, wanted, usual, want, should, otherwise, bad, do, options.',
    ],
    'key of an option' => [
        renamed('steps.0.fields.0.options.1', 'verdict', 'verdikt'),
        'steps[0].fields[0].options[1].verdikt: "verdikt" is not known here; did you mean "verdict"?',
    ],
    'verdict of an option' => [
        slipped('steps.0.fields.0.options.1.verdict', 'Bad'),
        'steps[0].fields[0].options[1].verdict: must be one of good, close, bad, open, not "Bad".',
    ],
    'key of a rule' => [
        renamed('steps.1.judge.1', 'limits', 'limit_s'),
        RULE.'.limit_s: "limit_s" is not known here; did you mean "limits"?',
    ],
    'judges with a capital' => [
        slipped('steps.1.judge.1.judges.0', 'Bad'),
        RULE.'.judges[0]: must be one of good, close, bad, open, not "Bad".',
    ],
    'key of a limit' => [
        renamed('steps.1.judge.1.limits.0', 'max', 'mx'),
        RULE.'.limits[0].mx: "mx" is not known here; did you mean "max"?',
    ],
    'key of a sentence' => [
        renamed('steps.1.judge.1.say.0', 'verdict', 'verdct'),
        RULE.'.say[0].verdct: "verdct" is not known here; did you mean "verdict"?',
    ],
    'verdict of a sentence' => [
        slipped('steps.1.judge.1.say.0.verdict', 'baad'),
        RULE.'.say[0].verdict: must be one of good, close, bad, open, not "baad".',
    ],
    'key of an excuse' => [
        renamed('steps.1.judge.1.excuse', 'as', 'as_'),
        RULE.'.excuse.as_: "as_" is not known here; did you mean "as"?',
    ],
    'verdict of an excuse' => [
        slipped('steps.1.judge.1.excuse.as', 'goood'),
        RULE.'.excuse.as: must be one of good, close, bad, open, not "goood".',
    ],
    'key of a condition' => [renamed('steps.1.when.0', 'is', 'iss'), 'steps[1].when[0].iss: "iss" is not known here; did you mean "is"?'],
    'condition of a caution' => [
        renamed('steps.1.cautions.1.when.0', 'of', 'off'),
        'steps[1].cautions[1].when[0].off: "off" is not known here; did you mean "of"?',
    ],
    'condition of a photo' => [
        renamed('steps.1.photo.wanted.0', 'known', 'knwon'),
        'steps[1].photo.wanted[0].knwon: "knwon" is not known here; did you mean "known"?',
    ],
    'verdict of too early' => [
        slipped('steps.1.early.verdict', 'closse'),
        'steps[1].early.verdict: must be one of good, close, bad, open, not "closse".',
    ],
    'kind of a step' => [
        slipped('steps.1.kind', 'rond'),
        'steps[1].kind: must be one of check, choice, number, round, scan, trace, bolts, entries, timer, hold, note, not "rond".',
    ],
    'key of what is usual' => [
        slipped('steps.1.fields.0.usual', ['form' => 1]),
        'steps[1].fields[0].usual.form: "form" is not known here; known are min, max, near, within_pct, whole.',
    ],
    'text for a number' => [slipped('steps.1.fields.0.max', '50'), 'steps[1].fields[0].max: must be a number.'],
    'a parameter without source' => [slipped('parameters.range_mm.source', null), 'parameters.range_mm.source: is missing.'],
    'language by its name' => [
        slipped('language', 'German'),
        'language: "German" must be a language such as en or pt-BR.',
    ],
    'an empty say' => [slipped('steps.1.judge.1.say', []), RULE.'.say: is empty: leave it out, or say something.'],
    'no steps' => [slipped('steps', []), 'steps: is empty: leave it out, or say something.'],
]);

dataset('slips of sense', [
    'path to no step' => [
        slipped('steps.1.when.0.of', '$step.kidn.end'),
        'steps[1].when[0].of: there is no step "kidn" in this procedure; did you mean "kind"?',
    ],
    'path to no field' => [
        slipped('steps.1.when.0.of', '$step.kind.endd'),
        'steps[1].when[0].of: "endd" is nothing that the step "kind" records; did you mean "end"?',
    ],
    'a word where a list is wanted' => [
        slipped('steps.1.judge.1.in.u_expanded', ['$first' => '$param.u_mm']),
        RULE.'.in.u_expanded.$first: must be a list of values.',
    ],
    'names where a list is wanted' => [
        slipped('steps.1.judge.1.in.u_expanded', ['$first' => ['one' => '$param.u_mm']]),
        RULE.'.in.u_expanded.$first: must be a list of values.',
    ],
    'a list of nothing' => [
        slipped('steps.1.judge.1.in.u_expanded', ['$first' => []]),
        RULE.'.in.u_expanded.$first: must be a list of values.',
    ],
    'a drawing that there is not' => [
        slipped('steps.1.drawing', ['shape' => 'gab']),
        'steps[1].drawing.shape: "gab" is no drawing; did you mean "gap"?',
    ],
    'a figure of a ring that there is not' => [
        slipped('steps.1.figure', ['shape' => 'socket', 'in' => ['ring' => 'grove', 'form' => 'socket', 'points_at' => 'ring']]),
        'steps[1].figure.in.ring: "grove" is drawn nowhere; did you mean "groove"?',
    ],
    'a drawing of what is not computed' => [
        slipped('steps.1.drawing', ['shape' => 'gap', 'of' => 'cut-squarness']),
        'steps[1].drawing.of: "cut-squarness" is no calculation of this step; did you mean "cut-squareness"?',
    ],
    'a drawing with a limit under a name that no result has' => [
        slipped('steps.1.drawing', ['shape' => 'gap', 'of' => 'cut-squareness', 'limit' => 'limit_mm', 'value' => 'raw_rang_mm']),
        'steps[1].drawing.value: "raw_rang_mm" is no result of cut-squareness; did you mean "raw_range_mm"?',
    ],
    'a drawing of a trace against what is not recorded' => [
        slipped('steps.1.drawing', ['shape' => 'trace', 'u_nom' => '$step.kind.volts']),
        'steps[1].drawing.u_nom: "volts" is nothing that the step "kind" records; known are end, photos, remark.',
    ],
    'a label of a step that there is not' => [
        slipped('steps.1.drawing', ['shape' => 'printed-label', 'of' => 'knid']),
        'steps[1].drawing.of: there is no step "knid" in this procedure; did you mean "kind"?',
    ],
    'meant for nothing' => [
        slipped('suits', [['of' => 'material', 'why' => 'So.']]),
        'suits[0]: says nothing: give in.',
    ],
    'a size in words' => [
        slipped('suits', [['of' => 'dn_mm', 'in' => ['small'], 'why' => 'So.']]),
        'suits[0]: is a figure: give min, max or both, not in.',
    ],
    'a material in figures' => [
        slipped('suits', [['of' => 'material', 'in' => ['PE100'], 'max' => 3, 'why' => 'So.']]),
        'suits[0]: is a word: give in, not min or max.',
    ],
    'meant for no size' => [
        slipped('suits', [['of' => 'dn_mm', 'min' => 90, 'max' => 63, 'why' => 'So.']]),
        'suits[0].min: 90 is more than max, 63: no pipe suits.',
    ],
    'an offer that says nothing' => [
        slipped('steps.1.offer', []),
        'steps[1].offer: says nothing: give within_min, or same as STEP.FIELD.',
    ],
    'an offer that hangs on no step' => [
        slipped('steps.1.offer', ['same' => 'knid.end']),
        'steps[1].offer.same: there is no step "knid" in this procedure; did you mean "kind"?',
    ],
    'an offer without a field that there is not' => [
        slipped('steps.1.offer', ['within_min' => 60, 'without' => ['vale_mm']]),
        'steps[1].offer.without[0]: "vale_mm" is no field of this step; did you mean "value_mm"?',
    ],
    'an answer said twice' => [
        slipped('steps.0.fields.1', ['key' => 'dry', 'label' => 'Dry', 'type' => 'yesno', 'want' => true, 'should' => true]),
        'steps[0].fields[1].should: says the same as "want", which is judged: give one of the two.',
    ],
    'scanned in another unit' => [
        slipped('steps.1.fields.0.scanned', '$line.length_m'),
        'steps[1].fields[0].scanned: "$line.length_m" does not end in the unit of "value_mm", _mm.',
    ],
    'meant for a material that is misspelt' => [
        slipped('suits', [['of' => 'material', 'in' => ['PE10'], 'why' => 'So.']]),
        'suits[0].in[0]: "PE10" is no material that is known here; did you mean "PE100"?',
    ],
    'meant for a service that is misspelt' => [
        slipped('suits', [['of' => 'service', 'in' => ['watr'], 'why' => 'So.']]),
        'suits[0].in[0]: "watr" is no service that is known here; did you mean "water"?',
    ],
    'a figure that is delivered' => [
        slipped('steps.1.fields.0.delivered', ['as' => 'batch', 'called' => ['ring']]),
        'steps[1].fields[0].delivered: is of no use in a field of type quantity, only of type text.',
    ],
    'scanned by no path' => [
        slipped('steps.1.fields.0.scanned', '$step.knid.end_mm'),
        'steps[1].fields[0].scanned: there is no step "knid" in this procedure; did you mean "kind"?',
    ],
    'what is usual is not said' => [
        slipped('steps.1.fields.0.usual', []),
        'steps[1].fields[0].usual: says nothing: give min, max, or near with within_pct.',
    ],
    'what is expected without how near' => [
        slipped('steps.1.fields.0.usual', ['near' => '$line.od_mm']),
        'steps[1].fields[0].usual: needs near and within_pct together: what is expected, and how far from it is still usual.',
    ],
    'what is usual the wrong way round' => [
        slipped('steps.1.fields.0.usual', ['min' => 9, 'max' => 3]),
        'steps[1].fields[0].usual.min: 9 is more than max, 3: every figure would be asked about.',
    ],
    'what is usual and cannot be entered' => [
        slipped('steps.1.fields.0.usual', ['max' => 5000]),
        'steps[1].fields[0].usual.max: 5000 lies outside what can be entered at all, 50.',
    ],
    'what is expected of nothing' => [
        slipped('steps.1.fields.0.usual', ['near' => '$line.od', 'within_pct' => 5]),
        'steps[1].fields[0].usual.near: "$line.od" is not known of a line; known are dn_mm, od_mm, wall_mm, sdr, length_m, '.
            'material, service, time_zone, practice, mdp_bar, e_mod_gpa, nu, restraint, creep_m, sides, closing_piece, attached, pipes, '.
            'ends, series, size, rejected, from_m, to_m and others.',
    ],
    'path that is none' => [
        slipped('steps.1.judge.1.in.od_mm', '$lien.od_mm'),
        RULE.'.in.od_mm: "$lien.od_mm" is no path; paths begin with $fact, $step, $result, $here, $param, $line, $at, $now, $side.',
    ],
    'path into the line' => [
        slipped('steps.1.judge.1.in.od_mm', '$line.o_mm'),
        RULE.'.in.od_mm: "$line.o_mm" is not known of a line; did you mean "od_mm"?',
    ],
    'path to no calculation' => [
        slipped('steps.1.summary', '{here.squareness.raw_range_mm}'),
        'steps[1].summary: the step "cut" computes no "squareness"; known are dry, cut-squareness.',
    ],
    'result' => [
        slipped('steps.1.judge.1.say.0.text', 'Out by {result.raw_rage_mm}.'),
        RULE.'.say[0].text: cut-squareness gives no "raw_rage_mm"; did you mean "raw_range_mm"?',
    ],
    'place of a sentence' => [
        slipped('steps.1.judge.1.say.0.text', 'Out by {reslut.raw_range_mm}.'),
        RULE.'.say[0].text: {reslut.raw_range_mm} leads nowhere; did you mean "result"?',
    ],
    'brace of a sentence' => [
        slipped('steps.1.judge.1.say.0.text', 'Out by {result.raw_range_mm|one}.'),
        RULE.
        '.say[0].text: "Out by {result.raw_range_mm|one}." holds a brace that is no place of a value: wanted is {path} or {path|how}.',
    ],
    'unit of a sentence' => [
        slipped('steps.1.judge.1.say.0.text', 'Out by {result.raw_range_mm|bar.1}.'),
        RULE.'.say[0].text: "raw_range_mm" cannot be shown in bar.',
    ],
    'form' => [
        slipped('steps.1.judge.1.in.u_expanded', ['$frist' => ['$param.u_mm', 1]]),
        RULE.'.in.u_expanded.$frist: "$frist" is no form; did you mean "$first"?',
    ],
    'key beside a form' => [
        slipped('steps.1.judge.1.in.u_expanded', ['$if' => [['of' => '$fact.remark', 'known' => true]], 'them' => '$param.u_mm']),
        RULE.'.in.u_expanded.them: "them" is not known beside $if; did you mean "then"?',
    ],
    'calculation' => [
        slipped('steps.1.judge.1.calc', 'cut-squarness'),
        RULE.'.calc: "cut-squarness" is no calculation; did you mean "cut-squareness"?',
    ],
    'input' => [
        renamed('steps.1.judge.1.in', 'od_mm', 'o_d_mm'),
        RULE.'.in.o_d_mm: "o_d_mm" is not an input of cut-squareness; did you mean "od_mm"?',
    ],
    'input left out' => [slipped('steps.1.judge.1.in.od_mm', null), RULE.'.in.od_mm: cut-squareness needs "od_mm".'],
    'input in another unit' => [
        slipped('steps.1.judge.1.in.od_mm', '$param.dry_min'),
        RULE.'.in.od_mm: "$param.dry_min" is in min, the input in mm.',
    ],
    'parameter that no input takes' => [
        slipped('parameters.range_mm.value', 'two'),
        RULE.'.in.limit_out_of_square_mm: limit_out_of_square_mm must be a number, not "two".',
    ],
    'name of a limit' => [
        slipped('steps.1.judge.1.limit', 'rang_mm'),
        RULE.'.limit: "rang_mm" is not among the parameters; did you mean "range_mm"?',
    ],
    'what a limit is of' => [
        slipped('steps.1.judge.1.limits.0.of', 'raw_rnage_mm'),
        RULE.'.limits[0].of: cut-squareness gives no "raw_rnage_mm"; did you mean "raw_range_mm"?',
    ],
    'a limit that is no number' => [slipped('steps.1.judge.1.limits.0.max', 'two'), RULE.'.limits[0].max: "two" is no number.'],
    'a limit in another quantity' => [
        slipped('steps.1.judge.1.limits.0.max', '$param.dry_min'),
        RULE.'.limits[0].max: "$param.dry_min" is in min; it cannot limit "raw_range_mm", which is in mm.',
    ],
    'a limit without uncertainty' => [
        slipped('steps.1.judge.1.limits.0.u', null),
        RULE.
        '.limits[0]: has no uncertainty u: without one nothing is good. '.
            'Give it, or "rule": "simple" where the value counts as it was read.',
    ],
    'a limit of nothing' => [
        slipped('steps.1.judge.1.limits.0.max', null),
        RULE.'.limits[0]: limits nothing: wanted is min, max, within with tol, or is.',
    ],
    'code' => [
        slipped('steps.1.judge.1.say.1.has', 'reasons:buched'),
        RULE.'.say[1].has: "buched" is no code in reasons of cut-squareness; did you mean "bunched"?',
    ],
    'list of codes' => [
        slipped('steps.1.judge.1.say.1.has', 'raesons:bunched'),
        RULE.'.say[1].has: "raesons" of cut-squareness holds no codes; did you mean "reasons"?',
    ],
    'code of an excuse' => [
        slipped('steps.1.judge.1.excuse.codes', ['buched']),
        RULE.'.excuse.codes: "buched" is no code in reasons of cut-squareness; did you mean "bunched"?',
    ],
    'step in after' => [slipped('steps.1.after', ['knid']), 'steps[1].after[0]: "knid" is no earlier step; did you mean "kind"?'],
    'step in needs_good' => [
        slipped('steps.1.needs_good', ['kimd']),
        'steps[1].needs_good[0]: "kimd" is no earlier step; did you mean "kind"?',
    ],
    'two steps that wait for each other' => [
        slipped('steps.0.after', ['cut']),
        'steps[0].after[0]: "cut" is no earlier step: what waits for it would wait for ever.',
    ],
    'when on a later step' => [
        slipped('steps.0.when', [['of' => '$step.cut.remark', 'known' => true]]),
        'steps[0].when[0].of: the step "cut" comes later: what it records is not known when this one is asked for.',
    ],
    'when on the step itself' => [
        slipped('steps.1.when.0.of', '$fact.remark'),
        'steps[1].when[0].of: a step cannot be asked for by its own answer.',
    ],
    'when on what nobody answers' => [
        slipped('steps.1.when.0.is', 'cutt'),
        'steps[1].when[0].is: "cutt" is never answered there; did you mean "cut"?',
    ],
    'condition on what no line carries' => [
        slipped('steps.1.cautions.1.when.0.is', 'steam'),
        'steps[1].cautions[1].when[0].is: "steam" is never answered there; known are water, sewer, gas.',
    ],
    'condition without a comparison' => [
        slipped('steps.1.when.0.is', null),
        'steps[1].when[0]: must be an object with "of" and one of known, is, not, in, min, max, or with "any".',
    ],
    'two steps of one id' => [
        slipped('steps.2', ['id' => 'cut', 'kind' => 'note', 'title' => 'Again', 'fields' => []]),
        'steps[2].id: "cut" stands twice.',
    ],
    'quantity' => [
        slipped('steps.1.fields.0.quantity', 'lenght'),
        'steps[1].fields[0].quantity: "lenght" is no quantity; did you mean "length"?',
    ],
    'unit' => [slipped('steps.1.fields.0.key', 'value_m2'), 'steps[1].fields[0].key: "value_m2" must end in a unit of length.'],
    'a field that takes nothing' => [
        slipped('steps.1.fields.0.min', 60),
        'steps[1].fields[0].min: 60 is more than max, 50: nothing could be entered.',
    ],
    'own verdict left out, and no limits' => [
        slipped('steps.1.judge.1', ['own_verdict' => false, 'limits' => []] + sound()['steps'][1]['judge'][1]),
        RULE.'.own_verdict: is false and there are no limits: nothing would be judged.',
    ],
    'a figure that judges' => [
        slipped('steps.1.judge.2', ['calc' => 'dew-point', 'in' => ['air_c' => 20, 'rh_pct' => 50]]),
        'steps[1].judge[2].calc: dew-point says no verdict: give it limits, or "judges": false, '.
            'or "computed" where it is good that it can be computed.',
    ],
    'a sentence that is never said' => [
        slipped('steps.1.judge.1.say.3', ['verdict' => 'bad', 'text' => 'Worse.']),
        RULE.'.say[3]: is never said: a sentence before it tells all that is bad.',
    ],
    'a sentence for what never comes' => [
        slipped('steps.1.judge.1.say.3', ['verdict' => 'good', 'text' => 'Square.']),
        RULE.'.say[3]: is never said: this is never good.',
    ],
    'no sentence for what can come' => [
        slipped('steps.1.judge.1.say', [['verdict' => 'open', 'text' => 'Read all round.'], ['verdict' => 'close', 'text' => 'Near.']]),
        RULE.'.say: has no sentence for bad, which cut-squareness can come to.',
    ],
    'a limit that nothing reads' => [
        slipped('parameters.gap_mm', ['value' => 1, 'source' => 'example', 'certainty' => 'practice']),
        'parameters.gap_mm: is read by nothing: a limit that is not used says what is not so.',
    ],
    'a clock that leads nowhere' => [
        slipped('clocks.test_from', '$result.cooling.clock.test_utc'),
        'clocks.test_from: there is no step "cooling" in this procedure; known are kind, cut.',
    ],
    'a key of another kind' => [slipped('steps.1.seals', true), 'steps[1].seals: is of no use in a round, only in a hold.'],
    'the course of a log that is not there' => [
        slipped('steps.1.figure', ['shape' => 'course', 'in' => ['of' => 'logg', 'bands' => []]]),
        'steps[1].figure.in.of: there is no step "logg" in this procedure; known are kind, cut.',
    ],
    'a clock position' => [slipped('steps.1.positions.1', '13:75'), 'steps[1].positions[1]: "13:75" is no clock position.'],
    'a block in which every round says the same' => [
        slipped('steps.2', ['block' => [['id' => 'look', 'kind' => 'note', 'title' => 'Look', 'fields' => []]], 'each' => ['1', '2']]),
        'steps[2].block: {this} stands nowhere in it: each round would say the same.',
    ],
    'a block without rounds' => [
        slipped('steps.2', ['block' => [['id' => 'look', 'kind' => 'note', 'title' => 'Look {this}', 'fields' => []]]]),
        'steps[2]: a block needs its steps, and each: the names of its rounds.',
    ],
    'a step that the library has not' => [
        slipped('steps.2', ['use' => 'electrofusion/wip']),
        'steps[2].use: "electrofusion/wip" is no step of the library.',
    ],
    'a later calculation of the same step' => [
        slipped('steps.1.judge.0.when', [['of' => '$here.cut-squareness.verdict', 'is' => 'bad']]),
        'steps[1].judge[0].when[0].of: "cut-squareness" of the step "cut" is computed later: it is not known here.',
    ],
]);

it('loads the text that has no slip', function () {
    expect(refusedFor(sound()))
        ->toBe([])
        ->and(
            (new Opis\JsonSchema\Validator())
                ->validate(
                    json_decode((string) json_encode(sound())),
                    (string) file_get_contents(Data::folder().'/schema/procedure.json'),
                )
                ->isValid(),
        )
        ->toBeTrue();
});

it('names a slip of form with its place and what was meant, as the published schema refuses it', function (array $text, string $sentence) {
    $schema = (string) file_get_contents(Data::folder().'/schema/procedure.json');
    expect(refusedFor($text))
        ->toContain($sentence)
        ->and((new Opis\JsonSchema\Validator())->validate(json_decode((string) json_encode($text)), $schema)->isValid())
        ->toBeFalse();
})->with('slips of form');

it('names a slip of sense with its place and what was meant', function (array $text, string $sentence) {
    expect(refusedFor($text))->toContain($sentence);
})->with('slips of sense');

/** @return array<string, mixed> a cut 50 mm out of square, judged by a text as it was frozen */
function skewJudgedBy(array $text): array
{
    $readings = array_map(
        fn (string $clock, float $mm) => ['clock' => $clock, 'value_mm' => $mm],
        ['12:00', '3:00', '6:00', '9:00'],
        [0, 25, 50, 25],
    );
    $facts = [
        ['step' => 'kind', 'value' => ['end' => 'cut'], 'at' => '2026-05-04T10:00:00Z'],
        ['step' => 'cut', 'value' => ['readings' => $readings], 'at' => '2026-05-04T11:00:00Z'],
    ];

    return JudgeFromJson::read([
        'procedure' => $text,
        'frozen' => Procedure::hash($text),
        'line' => ['od_mm' => 110, 'service' => 'water'],
        'now' => '2026-05-04T12:00:00Z',
        'tolerant' => true,
        'facts' => $facts,
    ])->toArray();
}

it('never makes a bad cut good by a slip that an older text carries', function (array $text) {
    expect(skewJudgedBy($text)['verdict'])->toBeIn(['bad', 'open']);
})->with('slips of form');

it('never makes a bad cut good by a slip of sense that an older text carries', function (array $text) {
    expect(skewJudgedBy($text)['verdict'])->toBeIn(['bad', 'open']);
})->with('slips of sense');

it('leaves a step open and locked whose older text it cannot read, and says why', function () {
    $text = renamed('steps.1', 'needs_good', 'need_good');
    $steps = array_column(skewJudgedBy($text)['steps'], null, 'key');
    expect($steps['kind']['verdict'])
        ->toBe('good')
        ->and($steps['cut']['verdict'])
        ->toBe('bad')
        ->and($steps['cut']['lock']['code'])
        ->toBe('unreadable')
        ->and($steps['cut']['locked'])
        ->toContain('steps[1].need_good: "need_good" is not known here')
        ->and(implode(' ', array_column($steps['cut']['reasons'], 'text')))
        ->toContain('This step cannot be judged: steps[1].need_good');
});

it('leaves no place of the published schema open', function () {
    $open = [];
    $look = function (array $node, string $path) use (&$look, &$open): void {
        if (
            isset($node['properties']) &&
            ! array_key_exists('additionalProperties', $node) &&
            ! array_key_exists('unevaluatedProperties', $node)
        ) {
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

it('lists in the published schema the kinds and words that the compiler knows', function () {
    $step = Data::json('schema/procedure.json')['$defs']['step']['properties'];
    expect($step['kind']['enum'])
        ->toBe(array_keys(Kinds::all()))
        ->and($step['fields']['items']['properties']['type']['enum'])
        ->toBe(FieldSpec::TYPES)
        ->and(Data::json('schema/procedure.json')['$defs']['verdict']['enum'])
        ->toBe(array_map(fn (Verdict $v) => $v->value, Verdict::cases()));
});

it('goes round in no circle of the library', function () {
    $library = new StepLibrary(fn (string $name) => ['use' => ['a' => 'b', 'b' => 'c', 'c' => 'a'][$name]]);
    expect($library->write(['steps' => [['use' => 'a']]])->faults)->toBe(['steps[0].use' => 'goes round in a circle: a, b, c, a']);
});

it('says what is wrong with a large file of another kind in no time', function () {
    $many = sound() + array_fill_keys(array_map(fn (int $i) => "key {$i}", range(1, 20000)), [1, 2, 3]);
    expect(count(refusedFor($many)))
        ->toBe(200)
        ->and(refusedFor(sound() + [str_repeat('é', 100000) => 1])[0])
        ->toStartWith(str_repeat('é', 59).'…: "'.str_repeat('é', 59).'…" is not known here; known are schema, id');
});

it('judges by a text frozen before its rules were closed, and takes the same text anew no more', function () {
    $old = sound() + ['remark' => 'from before'];
    $judged = fn (array $more) => JudgeFromJson::read(
        [
            'procedure' => $old,
            'facts' => [['step' => 'kind', 'value' => ['end' => 'rough'], 'at' => '2026-05-04T10:00:00Z']],
            'now' => '2026-05-04T11:00:00Z',
        ] + $more,
    )->toArray();
    expect($judged(['frozen' => Procedure::hash($old)])['verdict'])
        ->toBe('bad')
        ->and(fn () => $judged([]))
        ->toThrow(Refused::class, 'remark: "remark" is not known here')
        ->and(fn () => $judged(['frozen' => Procedure::hash(sound())]))
        ->toThrow(Refused::class);
});

it('does not mix the English sentences of the library into a text in another language', function () {
    $text = fn (string $language) => slipped('language', $language);
    expect(refusedFor(['steps' => [...$text('de')['steps'], ['use' => 'electrofusion/wipe']]] + $text('de')))
        ->toContain('steps: takes sentences of the library, which are English, into a text in "de": write them out.')
        ->and(Procedure::from($text('de'))->language)
        ->toBe('de')
        ->and(Procedure::from($text('en-GB'))->language)
        ->toBe('en-GB')
        ->and(Procedure::from(sound())->language)
        ->toBe('en');
});

it('keeps an older text with a slip of form as it compiled it, as open as it was', function (array $text) {
    $frozen = Procedure::frozen($text, Procedure::hash($text));
    expect(madeAgain($frozen))->toEqual($frozen);
})->with('slips of form');

it('keeps an older text with a slip of sense as it compiled it, as open as it was', function (array $text) {
    $frozen = Procedure::frozen($text, Procedure::hash($text));
    expect(madeAgain($frozen))->toEqual($frozen);
})->with('slips of sense');
