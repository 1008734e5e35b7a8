<?php

declare(strict_types=1);

use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

/*
 * Pipe ends made ready for electrofusion, by the schools of the trade: washed, measured, peeled and wiped in their orders, with
 * the solvent, the scriber, the stop, the clamp and the gap that the fitting, the tool and the procedure ask for.
 */

const PEEL_THEN_WIPE = ['cut-ends@a', 'od@a', 'scrape@a', 'mark@a', 'assemble', 'gap', 'ready', 'fusion'];
const WIPE_THEN_PEEL = [
    'cut-ends@a', 'od@a', 'lengths@a', 'wipe@a', 'scribe@a', 'scrape@a', 'mark@a', 'assemble', 'gap', 'ready', 'fusion',
];

/** @return list<array{string, string, string}> procedure, a step, the one after it that must not come before it */
function inOrder(string $procedure, array $steps): array
{
    return array_map(fn (int $i) => [$procedure, $steps[$i], $steps[$i + 1]], range(0, count($steps) - 2));
}

/** @return list<array{string, array<string, mixed>, int}> */
function bySchool(string $procedure): array
{
    return $procedure === 'ef-coupler-groove' ? wipedFirst() : smallCoupler();
}

/** @return array{Verdict, string} what a step comes to when something in it is otherwise */
function comesTo(string $key, array $otherwise, string $procedure = 'ef-coupler-one-pass', array $line = []): array
{
    $state = small(but(bySchool($procedure), $key, $otherwise), $line, $procedure)->steps[$key];
    $said = array_map(fn ($r) => $r->toArray(UnitSystem::Metric, null), $state->reasons);

    return [$state->verdict, implode(' ', array_map(fn ($r) => "{$r['text']} {$r['do']}", $said))];
}

it('says which step must come first, whichever two are turned round', function (string $procedure, string $first, string $then) {
    expect(saying(small(bySchool($procedure), [], $procedure)))->not->toContain('must come first');
    $titles = array_map(fn ($state) => $state->title, small(bySchool($procedure), [], $procedure)->steps);
    $minutes = array_column(bySchool($procedure), 2, 0);
    $turned = array_map(fn ($fact) => $fact[0] === $first ? [$fact[0], $fact[1], $minutes[$then] + 1] : $fact, bySchool($procedure));
    usort($turned, fn ($a, $b) => $a[2] <=> $b[2]);
    expect(saying(small($turned, [], $procedure)))->toContain("Recorded before \"{$titles[$first]}\", which must come first.");
})->with([
    ...inOrder('ef-coupler-one-pass', array_slice(PEEL_THEN_WIPE, 0, 7)),
    ...inOrder('ef-coupler-table', array_slice(PEEL_THEN_WIPE, 0, 7)),
    ...inOrder('ef-coupler-groove', array_slice(WIPE_THEN_PEEL, 0, 10)),
]);

it('locks each step until the one before it is recorded', function (string $procedure, string $first, string $then) {
    $until = without(bySchool($procedure), $first, $then);
    expect(small($until, [], $procedure)->steps[$then]->lock?->text)->not->toBeNull()
        ->and(small($until, [], $procedure)->verdict)->not->toBeIn([Verdict::Good, Verdict::Close]);
})->with([...inOrder('ef-coupler-one-pass', PEEL_THEN_WIPE), ...inOrder('ef-coupler-groove', WIPE_THEN_PEEL)]);

it('forces no wipe after the peel where the school has none, and asks that nobody touched it', function () {
    $made = small(wipedFirst(), [], 'ef-coupler-groove');
    expect($made->verdict)->toBe(Verdict::Good, saying($made));
    $keys = array_map(fn ($step) => $step->key(), array_values(Procedure::shipped()['ef-coupler-groove']->steps));
    expect(array_search('wipe@a', $keys, true))->toBeLessThan(array_search('scrape@a', $keys, true))
        ->and(comesTo('assemble', ['untouched' => false], 'ef-coupler-groove'))
        ->toBe([Verdict::Open, 'The peeled skin was touched, wet or dusty. This school wipes nothing after the peel: peel it anew, '.
            'as far as the depth allows, or ask the engineer.']);
});

it('records washing, and less of it with its reason', function (array $ends, Verdict $wanted, string $sentence) {
    [$verdict, $said] = comesTo('cut-ends@a', $ends);
    expect($verdict)->toBe($wanted, $said)->and($said)->toContain($sentence);
})->with([
    // Three times a coupling of 160 mm; 80 mm and 20 beyond are peeled.
    [['wash_mm' => 480], Verdict::Good, 'Washed over 480 mm.'],
    [['wash_mm' => 300], Verdict::Open, 'Washed over 300 mm of 480 mm, and nobody said why.'],
    [['wash_mm' => 300, 'wash_why' => 'a bend behind it'], Verdict::Close, 'Washed over 300 mm of 480 mm: a bend behind it.'],
    [['wash_mm' => 90, 'wash_why' => 'a bend behind it'], Verdict::Bad, 'Washed over 90 mm, and 100 mm are peeled'],
    [['washed' => false], Verdict::Bad, 'Wash until no mud comes off any more'],
    [['square' => false], Verdict::Bad, 'Cut it now, along a guide or a strap laid round; then wash it.'],
    [['gravel' => true], Verdict::Bad, 'Stones are pressed into the skin where the coupling will sit. Cut the end off behind them'],
    [['again' => 'yes'], Verdict::Good, ''],
]);

it('takes the solvent of its school alone', function (array $solvent, string $procedure, Verdict $wanted, string $sentence) {
    [$verdict, $said] = comesTo('kit', ['solvent' => ['id' => 's', 'name' => 'Bottle 3'] + $solvent], $procedure);
    expect($verdict)->toBe($wanted, $said)->and($said)->toContain($sentence);
})->with([
    [['sort' => 'isopropanol', 'strength_pct' => 96], 'ef-coupler-one-pass', Verdict::Good, 'Bottle 3: a solvent of this procedure.'],
    [['sort' => 'isopropanol', 'strength_pct' => 95], 'ef-coupler-one-pass', Verdict::Bad, 'Bottle 3 is 95 %'],
    [['sort' => 'isopropanol', 'strength_pct' => 90], 'ef-coupler-groove', Verdict::Good, ''],
    [['sort' => 'isopropanol'], 'ef-coupler-one-pass', Verdict::Open, 'strength is not entered'],
    [['sort' => 'ethanol-mek'], 'ef-coupler-one-pass', Verdict::Bad, 'Bottle 3 is not a solvent of this procedure.'],
    [['sort' => 'ethanol-mek'], 'ef-coupler-groove', Verdict::Good, ''],
    [['sort' => 'acetone'], 'ef-coupler-groove', Verdict::Bad, 'not a solvent of this procedure'],
    [[], 'ef-coupler-one-pass', Verdict::Open, 'kind is not entered'],
    [
        ['sort' => 'isopropanol', 'strength_pct' => 99, 'use_by' => '2026-05-01'],
        'ef-coupler-one-pass',
        Verdict::Bad,
        'to be used up by 2026-05-01',
    ],
]);

it('takes acetone where the authority orders it', function () {
    $raw = Data::json('procedures/ef-coupler-one-pass.json');
    $raw['parameters']['solvent_acetone']['value'] = true;
    $facts = couplerFacts();
    $facts['kit']['solvent'] = ['id' => 's', 'name' => 'Bottle 3', 'sort' => 'acetone'];
    expect(judged(Procedure::from($raw), $facts)->steps['kit']->verdict)->toBe(Verdict::Good);
});

it('peels as deep as the scriber says, and by hand never less than 0.2 mm', function (
    array $peel,
    float $groove,
    Verdict $wanted,
    string $sentence,
) {
    $facts = but(wipedFirst(), 'kit', ['scriber' => ['id' => 'n', 'name' => 'Scriber 2', 'depth_mm' => $groove]]);
    $state = small(but($facts, 'scrape@a', $peel), [], 'ef-coupler-groove')->steps['scrape@a'];
    $said = array_map(fn ($r) => $r->toArray(UnitSystem::Metric, null), $state->reasons);
    expect($state->verdict)->toBe($wanted)->and($said[0]['text'])->toContain($sentence)
        ->and($said[0]['limit']['shown'] ?? null)->toBe(str_contains($sentence, 'by hand') ? '0.2 mm' : "{$groove} mm");
})->with([
    // From 110.15 mm: 0.225 mm, 0.125 mm and 0.175 mm deep.
    [['od_after_mm' => 109.7], 0.18, Verdict::Close, '0.23 mm peeled'],
    [['od_after_mm' => 109.9], 0.18, Verdict::Bad, 'Peeled 0.13 mm deep; the groove of Scriber 2 is 0.18 mm.'],
    [['od_after_mm' => 109.8], 0.15, Verdict::Close, '0.18 mm peeled'],
    [['od_after_mm' => 109.8, 'tool' => 'hand'], 0.15, Verdict::Bad, 'Peeled 0.18 mm deep; by hand the least is 0.20 mm.'],
]);

it('takes no scriber that cuts less than a groove, or of which nobody knows how deep', function () {
    $kit = fn (array $of) => comesTo('kit', ['scriber' => ['id' => 'n', 'name' => 'Scriber 1'] + $of], 'ef-coupler-groove');
    $unknown = ['scriber' => ['id' => 'n', 'name' => 'X']];
    expect($kit(['depth_mm' => 0.1])[0])->toBe(Verdict::Bad)
        ->and($kit(['depth_mm' => 0.1])[1])->toContain('Scriber 1 cuts 0.10 mm; a groove of 0.15 mm to 0.40 mm is wanted, never 0.1 mm.')
        ->and($kit([])[0])->toBe(Verdict::Open)
        ->and($kit(['depth_mm' => 0.15])[0])->toBe(Verdict::Good)
        ->and(small(but(wipedFirst(), 'kit', $unknown), [], 'ef-coupler-groove')->steps['scrape@a']->verdict)
        ->not->toBeIn([Verdict::Good, Verdict::Close]);
});

it('holds both lengths against the coupling', function (array $lengths, Verdict $wanted, string $sentence) {
    [$verdict, $said] = comesTo('lengths@a', $lengths, 'ef-coupler-groove');
    expect($verdict)->toBe($wanted, $said)->and($said)->toContain($sentence);
})->with([
    [['first_mm' => 90], Verdict::Good, 'First length at 90 mm'],
    [['first_mm' => 80], Verdict::Bad, 'marked at 80 mm; wanted is 90 mm'],
    [['second_mm' => 200], Verdict::Bad, 'ends at 200 mm; it is kept clean over 320 mm'],
]);

it('marks from the stop where the coupling has one', function () {
    $stop = but(smallCoupler(), 'label', ['stop_mm' => 77]);
    expect(small($stop)->steps['mark@a']->verdict)->toBe(Verdict::Bad)
        ->and(saying(small($stop)))->toContain('The mark is at 80 mm; wanted is 77 mm')
        ->and(small(but($stop, 'mark@a', ['mark_mm' => 77]))->steps['mark@a']->verdict)->toBe(Verdict::Good);
    expect(saying(small(but($stop, 'pipes', ['slides' => 'a']))))
        ->toContain('A coupling with a stop does not slide right back over a pipe.')
        ->and(saying(small(but(smallCoupler(), 'label', ['stop_mm' => 85]))))
        ->toContain('The stop lies 85 mm behind the face; half of the coupling is 80 mm.');
});

/** @return list<array{clock: string, value_mm: float}> diameters of an end that is that much out of round */
function ovalEnd(float $by): array
{
    return ['readings' => array_map(
        fn (string $clock, float $part) => ['clock' => $clock, 'value_mm' => round(110.2 + $by / 2 * $part, 2)],
        ['12:00', '1:30', '3:00', '4:30'],
        [0.5, 0.866, -0.5, -0.866],
    )];
}

/** @return list<array{string, array<string, mixed>, int}> an oval end, its clamp, and its shape in it */
function clampedEnd(float $after, int $measuredAt = 46, bool $stayed = true): array
{
    $facts = but(smallCoupler(), 'ovality@a', ovalEnd(4));
    $last = ['cooling', 'look', 'accept', 'fusion'];
    $waits = fn (array $f): bool => $f[2] >= 16 && ! in_array($f[0], $last, true);
    $later = array_map(fn ($f) => $waits($f) ? [$f[0], $f[1], $f[2] + 31] : $f, $facts);
    $later = array_map(fn ($f) => match ($f[0]) {
        'fusion' => ['fusion', traced(39.5, 1.6, 150 * 1.027, 65), 65],
        'cooling' => ['cooling', ['released_at' => minute(84)], 84],
        'look', 'accept' => [$f[0], $f[1], 90],
        default => $f,
    }, $later);
    $all = [
        ...$later,
        ['reround@a', ['fitted' => true, 'place_mm' => 90], 30],
        ['clamped@a', ovalEnd($after), $measuredAt],
        ['clamp-stayed', ['stayed' => $stayed], 85],
    ];
    usort($all, fn ($a, $b) => $a[2] <=> $b[2]);

    return $all;
}

it('leaves an oval end open until it is clamped and measured again, and says then what it was', function () {
    $found = small(but(smallCoupler(), 'ovality@a', ovalEnd(4)));
    expect($found->steps['ovality@a']->verdict)->toBe(Verdict::Open)
        ->and($found->steps)->toHaveKey('reround@a')->not->toHaveKey('reround@b')
        ->and($found->next)->toBe('reround@a')
        ->and($found->verdict)->toBe(Verdict::Open);
    $round = small(clampedEnd(0.6));
    expect($round->steps['ovality@a']->verdict)->toBe(Verdict::Good)
        ->and($round->verdict)->toBeIn([Verdict::Good, Verdict::Close], saying($round))
        ->and($round->steps['ovality@a']->reasons[0]->text->in(UnitSystem::Metric))
        ->toContain('Out of round by', 'Put right since: Out of round in the clamp, pipe 041.');
    $still = small(clampedEnd(4));
    expect($still->steps['ovality@a']->verdict)->toBe(Verdict::Bad)
        ->and($still->steps['clamped@a']->verdict)->toBe(Verdict::Bad)
        ->and($still->verdict)->toBe(Verdict::Bad);
});

it('wants the clamp to sit its time, and to stay on until the joint is cool', function () {
    // Measured too early, neither is settled: the end is not bad for that.
    expect(saying(small(clampedEnd(0.6, 36))))->toContain('the pipe had until 08:45 to come round')
        ->and(small(clampedEnd(0.6, 36))->steps['ovality@a']->verdict)->toBe(Verdict::Open)
        ->and(saying(small(clampedEnd(0.6, 46, false))))->toContain('The re-rounding clamp came off before the joint was cool.')
        ->and(small(smallCoupler())->steps)->not->toHaveKey('clamp-stayed')
        ->and(small(without(clampedEnd(0.6), 'clamp-stayed'))->verdict)->toBe(Verdict::Open);
});

it('clamps before the peel in one school and after it in the other', function (string $procedure, bool $before) {
    $keys = array_map(fn ($step) => $step->key(), array_values(Procedure::shipped()[$procedure]->steps));
    expect(array_search('reround@a', $keys, true) < array_search('scrape@a', $keys, true))->toBe($before);
})->with([['ef-coupler-table', true], ['ef-coupler-one-pass', false], ['ef-coupler-groove', false]]);

it('knows a cure only that comes later', function (string $cure, string $fault) {
    $raw = Data::json('procedures/ef-coupler-one-pass.json');
    $at = array_search('electrofusion/ovality', array_column($raw['steps'], 'use'), true);
    $raw['steps'][$at]['with']['judge.0.cured_by'] = $cure;
    expect(fn () => Procedure::from($raw))->toThrow(Refused::class, $fault);
})->with([['kit', 'is no later step'], ['clampd', 'did you mean "clamped"'], ['ovality', 'is no later step']]);

it('takes the gap from the fitting\'s sheet, by size only as a table from memory', function (
    array $label,
    array $line,
    Verdict $wanted,
    string $sentence,
) {
    $raw = Data::json('procedures/ef-coupler-one-pass.json');
    $raw['parameters']['gap_table_confirmed']['value'] = $line['confirmed'] ?? false;
    $facts = couplerFacts();
    unset($facts['label']['gap_mm']);
    $facts['label'] += $label;
    $facts['gap']['readings'][0]['value_mm'] = $line['gap'];
    $state = judged(Procedure::from($raw), $facts)->steps['gap'];
    // What is cited is the limit that was used: that of the sheet, that of the table, or none.
    $cited = $state->reasons[0]->toArray(UnitSystem::Metric, null)['limit']['shown'] ?? null;
    expect($cited)->toBe(isset($label['gap_mm']) ? '0.7 mm' : (($label['gap_silent'] ?? false) ? '0.5 mm' : null));
    expect($state->verdict)->toBe($wanted)
        ->and(implode(' ', array_map(fn ($r) => $r->text->in(UnitSystem::Metric), $state->reasons)))->toContain($sentence);
})->with([
    [['gap_mm' => 0.7], ['gap' => 0.7], Verdict::Good, 'Largest gap 0.7 mm at 12:00; up to 0.7 mm is allowed.'],
    [['gap_mm' => 0.7], ['gap' => 0.8], Verdict::Bad, 'A gap of 0.8 mm at 12:00 is over 0.7 mm.'],
    [['gap_mm' => 0.7, 'gap_silent' => true], ['gap' => 0.7], Verdict::Good, 'up to 0.7 mm is allowed'],
    // From memory: DVS 2207-1, up to 355 mm 0.5.
    [['gap_silent' => true], ['gap' => 0.5], Verdict::Open, 'gives this size up to 0.5 mm, and no engineer has taken it over'],
    [['gap_silent' => true], ['gap' => 0.6], Verdict::Bad, 'over the 0.5 mm that a table from memory gives this size'],
    [['gap_silent' => true], ['gap' => 0.5, 'confirmed' => true], Verdict::Good, 'by the table that an engineer has taken over'],
    [[], ['gap' => 0.2], Verdict::Open, 'how much this fitting takes is not entered'],
    [['gap_silent' => false], ['gap' => 0.2, 'confirmed' => true], Verdict::Open, 'how much this fitting takes is not entered'],
]);

it('says at the label that the gap is wanting, before anybody has peeled', function () {
    $facts = couplerFacts();
    unset($facts['label']['gap_mm']);
    expect(judged('ef-coupler-one-pass', $facts)->steps['label']->verdict)->toBe(Verdict::Open)
        ->and(texts(judged('ef-coupler-one-pass', $facts)))->toContain('The largest gap that this fitting takes is not entered.');
});

it('asks before power for all that cannot be put right afterwards', function (string $line, string $sentence) {
    [$verdict, $said] = comesTo('ready', [$line => false]);
    expect($verdict)->toBe(Verdict::Bad)->and($said)->toContain($sentence)
        ->and(small(but(smallCoupler(), 'ready', [$line => false]))->steps['fusion']->lock?->text)
        ->toBe('"Before power" must be good first.');
})->with([
    ['tight', 'water in the melt turns to steam'],
    ['contacts', 'never lengthen the fusion leads'],
    ['ends_closed', 'wind through the pipe cools the melt on one side'],
    ['supported', 'what pulls on a joint pulls its melt apart'],
    ['display', 'read the code of the fitting that is connected'],
]);

it('says before power what the display may show', function () {
    $guide = small(array_slice(smallCoupler(), 0, 8))->steps['ready']->toArray(UnitSystem::Metric, null)['guide'];
    // 150 s of the label, 0.3 % for each of the 9 K below 23 degC.
    expect($guide)->toBe(['The label of this fitting: 110 mm, 39.5 V, 150 s; for 14.0 °C the box may show 154 s.']);
});

it('cuts a closing piece for any joint, and asks for none where there is none', function () {
    expect(small(smallCoupler())->steps)->not->toHaveKey('piece')
        ->and(small(but(smallCoupler(), 'pipes', ['closing' => true]))->steps)->toHaveKey('piece')
        ->and(small(but(smallCoupler(), 'pipes', ['closing' => false]), ['closing_piece' => true])->steps)->toHaveKey('piece');
});

it('tells why beside the step', function (string $step, string $why) {
    $text = json_encode(Data::json("steps/electrofusion/{$step}.json"), JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    expect($text)->toContain($why);
})->with([
    ['assemble', 'a mallet harms the coupler'],
    ['assemble', 'melt escapes and can catch fire'],
    ['wipe-assemble', 'keeps the wires of both sides from being pushed together'],
    ['cut-ends', 'sand and mud blunt the blade'],
    ['before-power', 'Draught through the pipe cools one side'],
    ['scrape', 'light on black pipe, dark on yellow'],
    ['mark', 'not fully in overheats the wires'],
]);
