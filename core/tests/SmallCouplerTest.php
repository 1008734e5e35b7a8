<?php

declare(strict_types=1);

use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Compile\StepLibrary;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Diastoma\Core\Simulation\FusionBox;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

/*
 * What a crew does with a small coupler beyond the plain case: other schools, a repair piece, a ribbon on the scale, a
 * closing piece, a code that nobody here can read, a repeat by permit, a night on which the clock is changed.
 */

it('works by a school that goes by a waiting table and by percent, added as data alone', function () {
    $judgement = small(smallCoupler(), [], 'ef-coupler-table');
    expect($judgement->verdict)->toBe(Verdict::Good, saying($judgement));
    // Row three of the table: up to 16 bar 90 min from the end of the fusion, not four cooling times (60 min).
    expect($judgement->clocks['test_from'])->toBe(
        (new DateTimeImmutable(minute(35)))
            ->modify('+154 seconds +90 minutes')
            ->setTimezone(new DateTimeZone('UTC'))
            ->format('Y-m-d\TH:i:s\Z'),
    );
    $raw = Data::json('procedures/ef-coupler-table.json');
    $raw['parameters']['test_most_bar']['value'] = 5;
    $lower = judged(Procedure::from($raw), couplerFacts());
    expect(
        (new DateTimeImmutable($lower->clocks['test_from']))->getTimestamp() -
            (new DateTimeImmutable($lower->clocks['clamps_off']))->getTimestamp(),
    )->toBe((40 - 15) * 60);
    // 2.0 mm: 1.8 % of this pipe. The percent school refuses it, the millimetre school would leave it to the tape's uncertainty.
    $oval = fn (array $clocks) => [
        'readings' => array_map(
            fn ($c, $v) => ['clock' => $c, 'value_mm' => $v],
            $clocks,
            count($clocks) === 3 ? [111.2, 109.8, 109.2] : [111.2, 110.2, 109.2, 110.2],
        ),
    ];
    expect(small(but(smallCoupler(), 'ovality@a', $oval(['12:00', '2:00', '4:00'])), [], 'ef-coupler-table')->steps)->toHaveKey('reround@a')
        ->and(small(but(smallCoupler(), 'ovality@a', $oval(['12:00', '1:30', '3:00', '4:30'])))->steps)->toHaveKey('reround@a');
    $weak = ['solvent' => ['id' => 's', 'name' => 'Bottle 3', 'sort' => 'isopropanol', 'strength_pct' => 90]];
    expect(saying(small(but(smallCoupler(), 'kit', $weak), [], 'ef-coupler-table')))->toContain('Bottle 3 is 90 %', 'at least 96 %');
});

it('works by a school for the hand scraper and coiled pipe, added as data alone', function () {
    $line = ['dn_mm' => 63, 'od_mm' => 63, 'sdr' => 11, 'wall_mm' => 5.8];
    $hand = [];
    foreach (without(smallCoupler(), 'accept') as [$key, $value, $at]) {
        $value = match (strtok($key, '@')) {
            'code' => ['code' => fittingCode(63, 39.5, 3.2, 80)] + $value,
            'label' => ['dn_mm' => 63, 'time_s' => 80, 'cooling_min' => 8, 'coupling_mm' => 110, 'gap_mm' => 0.5] + $value,
            'od' => ['od_tape_mm' => 63.2, 'od_end_mm' => 63.0],
            'scrape' => ['od_after_mm' => 62.8, 'tool' => 'hand'] + $value,
            'mark' => ['mark_mm' => 55] + $value,
            'ovality' => ['readings' => array_map(fn ($r) => ['value_mm' => 63.2] + $r, $value['readings'])],
            'gap' => ['readings' => array_map(fn ($r) => ['value_mm' => 0.2] + $r, $value['readings'])],
            // 0.2 %/K of the code for the 9 K below 23 degC.
            'fusion' => traced(39.5, 3.2, 80 * 1.018, 36), 'cooling' => ['released_at' => minute(60)], default => $value
        };
        if (str_starts_with($key, 'od@')) {
            $hand[] = ['straight'.substr($key, 2), ['held' => true], $at];
        }
        $hand[] = [$key, $value, $key === 'fusion' ? 36 : $at];
    }
    $judgement = small($hand, $line, 'ef-coupler-hand');
    expect(leftOpen($judgement))->toBe(['accept'], saying($judgement));
    expect(small(without($hand, 'straight@b'), $line, 'ef-coupler-hand')->verdict)
        ->toBe(Verdict::Open)
        ->and(saying(small(but($hand, 'straight@b', ['held' => false]), $line, 'ef-coupler-hand')))
        ->toContain('Straighten it and hold it');
    // 0.05 mm taken off is too little, 0.45 mm too much for a wall of 5.8 mm.
    expect(small(but($hand, 'scrape@a', ['od_after_mm' => 63.1]), $line, 'ef-coupler-hand')->steps['scrape@a']->verdict)
        ->toBe(Verdict::Bad)
        ->and(small(but($hand, 'scrape@a', ['od_after_mm' => 62.3]), $line, 'ef-coupler-hand')->steps['scrape@a']->verdict)
        ->toBe(Verdict::Bad);
});

it('peels the whole length where the coupling slides right back', function () {
    $state = fn (string $slides) => small(array_slice(but(smallCoupler(), 'pipes', ['slides' => $slides]), 0, 9))->steps;
    $guide = fn (string $slides, string $side) => $state($slides)["scrape@{$side}"]->toArray(UnitSystem::Metric, null)['guide'][0];
    // 160 mm coupling, 20 mm beyond: half of it 100 mm, all of it 180 mm.
    expect($guide('a', 'a'))
        ->toContain('peel 180 mm from the end')
        ->and($guide('a', 'b'))
        ->toContain('peel 100 mm from the end')
        ->and($guide('normal', 'a'))
        ->toContain('peel 100 mm')
        ->and($guide('b', 'b'))
        ->toContain('peel 180 mm');
});

it('weighs the ribbon against the tape', function (array $scrape, Verdict $wanted, string $sentence) {
    $judgement = small(but(smallCoupler(), 'scrape@a', $scrape));
    expect($judgement->steps['scrape@a']->verdict)
        ->toBe($wanted, saying($judgement))
        ->and(
            implode(
                ' ',
                array_map(
                    fn ($r) => $r->toArray(UnitSystem::Metric, new DateTimeZone('UTC'))['text'],
                    $judgement->steps['scrape@a']->reasons,
                ),
            ),
        )
        ->toContain($sentence);
})->with([
    // 0.95 g/cm3 x pi x 109.875 mm x 100 mm x 0.275 mm = 9.02 g.
    [['ribbon_g' => 9.02, 'ribbon_mm' => 100], Verdict::Good, '0.28 mm by the ribbon'],
    [['ribbon_g' => 4, 'ribbon_mm' => 100], Verdict::Bad, 'By its ribbon the peel is 0.12 mm on the mean'],
    [['sharp' => false], Verdict::Open, 'The blade was blunt'],
    [['od_after_mm' => 110.0], Verdict::Bad, 'Peeled 0.08 mm deep; the least is 0.20 mm'],
    [['marks_gone' => false], Verdict::Bad, 'Ink or groove is still to be seen'],
]);

it('holds a closing piece against the length for the temperature of the tie-in', function (
    array $piece,
    Verdict $wanted,
    string $sentence,
) {
    $facts = smallCoupler();
    array_splice($facts, 3, 0, [
        [
            'piece',
            $piece + [
                'gap_mm' => 2400,
                'measured_c' => 32,
                'tie_c' => 14,
                'piece_c' => 24,
                'free_m' => 36,
                'coupling_mm' => 200,
                'cut_mm' => 2515,
            ],
            3,
        ],
    ]);
    $judgement = small($facts, ['closing_piece' => true]);
    expect($judgement->steps['piece']->verdict)
        ->toBe($wanted)
        ->and(
            saying($judgement).
                implode(
                    ' ',
                    array_map(
                        fn ($r) => $r->toArray(UnitSystem::Metric, new DateTimeZone('UTC'))['text'],
                        $judgement->steps['piece']->reasons,
                    ),
                ),
        )
        ->toContain($sentence);
    expect(small(smallCoupler(), ['closing_piece' => true])->verdict)
        ->toBe(Verdict::Open)
        ->and(small(smallCoupler())->steps)
        ->not->toHaveKey('piece');
})->with([
    // Worked example: the gap grows to 2516.64 mm at 14 degC; less 3 mm at each end and warmed to 24 degC the piece is 2515.2 mm.
    // Margin here 20 mm.
    [[], Verdict::Good, 'Cut to 2515 mm; wanted is 2515 mm for 14.0 °C at the tie-in.'],
    [['cut_mm' => 2400], Verdict::Bad, 'Cut to 2400 mm; wanted is 2515 mm, within 5 mm'],
    [['gap_mm' => 380, 'free_m' => 0, 'tie_c' => 32, 'cut_mm' => 374], Verdict::Bad, 'at least 440 mm so that both couplings slide on'],
]);

it('keeps a code whole that nobody here can read, and goes by the label', function () {
    $bare = but(smallCoupler(), 'code', ['layout' => null]);
    expect(saying(small(array_slice($bare, 0, 6))))->toContain('A photo is wanted: the label of the fitting.');
    // The box alone knows the correction for temperature: its time is asked for, and held against the label's.
    expect(saying(small(array_slice($bare, 0, 6))))
        ->toContain('the time that it shows is not entered')
        ->and(saying(small(array_slice(but($bare, 'label', ['box_time_s' => 240]), 0, 6))))
        ->toContain('The box shows 240 s; for this label at 14.0 °C it may show 149 s to 159 s.');
    $bare = but($bare, 'label', ['box_time_s' => 154, 'photos' => ['11111111-1111-4111-8111-111111111111']]);
    $judgement = small(array_slice($bare, 0, 6));
    expect($judgement->steps['code']->verdict)
        ->toBe(Verdict::Good)
        ->and($judgement->steps['code']->results)
        ->not->toHaveKey('fitting-code')
        ->and($judgement->steps['label']->verdict)
        ->toBe(Verdict::Good, saying($judgement));
    // A layout that nobody has confirmed on fittings in hand counts as none.
    $own = ['id' => 'o', 'name' => 'Own copy', 'practice' => false, 'layout' => Data::json('codes/practice.json')];
    $read = fn (array $more) => small(array_slice(but(smallCoupler(), 'code', ['layout' => $more + $own]), 0, 6))->steps['code']->results;
    expect($read([]))
        ->not->toHaveKey('fitting-code')
        ->and($read(['confirmed_by' => 'T. Orrel', 'proved_on' => 'four fittings of 110 and 225']))
        ->toHaveKey('fitting-code');
    $fused = small($bare);
    expect($fused->steps['fusion']->results['fusion-trace']['energy_j'])
        ->toBeGreaterThan(1e5)
        ->and($fused->steps['fusion']->verdict)
        ->not->toBe(Verdict::Bad, saying($fused));
    // With the label's resistance the winding is watched; without it the judgement stays open.
    expect($fused->steps['fusion']->verdict)
        ->toBe(Verdict::Open)
        ->and(small(but($bare, 'label', ['resistance_ohm' => 1.6]))->steps['fusion']->verdict)
        ->toBe(Verdict::Good);
});

it('says what is wrong with a code', function (string $code, string $sentence) {
    $judgement = small(array_slice(but(smallCoupler(), 'code', ['code' => $code]), 0, 4));
    expect(saying($judgement))->toContain($sentence)->and($judgement->next)->toBe('code');
})->with([
    ['0100001103951602', 'code has 16 digits; a fitting code has 24. A short sweep reads only a part'],
    ['010000110395160210150030', 'check digit'],
    ['010000110999160210150039', 'the code says 99.9; a fitting has 8 to 48. Look again, and enter it as it is.'],
    ['010000110395160210000037', 'time_s'],
]);

it('keeps traceability codes whole, and refuses what is neither', function () {
    $facts = fn (array $codes) => [...array_slice(smallCoupler(), 0, 5), ['trace-codes', $codes, 6]];
    $kept = small($facts(['pipe_a_code' => '01234567890123456789012345', 'fitting_code' => 'aB3dE5fG7hJ9kL1m']))->steps['trace-codes'];
    expect($kept->verdict)
        ->toBe(Verdict::Good)
        ->and($kept->results['pipe_a_code'])
        ->toMatchArray(['scheme' => 'iso-12176-4'])
        ->and($kept->results['fitting_code'])
        ->toMatchArray(['scheme' => 'astm-f2897']);
    expect(saying(small($facts(['pipe_b_code' => '12345']))))->toContain('trace-codes');
});

it('allows one repeat by the engineer\'s permit, where the procedure does, and marks it', function () {
    $first = [...without(wipedFirst('interruption'), 'cooling', 'look', 'accept')];
    $broken = small($first, [], 'ef-coupler-groove');
    expect($broken->steps['fusion']->verdict)
        ->toBe(Verdict::Bad)
        ->and($broken->steps)
        ->toHaveKey('permit')
        ->and($broken->steps['fusion']->again)
        ->toBeFalse();
    expect(small(without(smallCoupler(4, 'interruption'), 'cooling'))->steps)->not->toHaveKey('permit');
    $permit = fn (array $more = []) => [
        'permit',
        $more + ['signed' => true, 'document' => 'fitting maker\'s sheet, clause 7', 'cause' => 'supply', 'cooled' => true],
        120,
    ];
    expect(small([...$first, $permit()], [], 'ef-coupler-groove')->steps['fusion']->again)->toBeTrue();
    $again = [
        'fusion',
        [
            'trace' => '99999999-9999-4999-8999-999999999999',
            'started_at' => minute(130),
            'ended_at' => (new DateTimeImmutable(minute(130)))->modify('+154 seconds')->format('Y-m-d\TH:i:sP'),
        ] + couplerFacts()['fusion'],
        130,
    ];
    $rest = [['cooling', ['released_at' => minute(160)], 160], ['look', couplerFacts()['look'], 161]];
    $marked = small([...$first, $permit(), $again, ...$rest], [], 'ef-coupler-groove');
    expect($marked->steps['cooling']->verdict)
        ->toBe(Verdict::Close, saying($marked))
        ->and(saying($marked))
        ->toContain('Fused twice, by permit; the story is whole.')
        ->and($marked->steps['fusion']->again)
        ->toBeFalse();
    // Without the permit, or not fully cooled, a second heating is never right.
    expect(small([...$first, $again, ...$rest], [], 'ef-coupler-groove')->verdict)->toBe(Verdict::Bad)
        ->and(small([...$first, $permit(['cooled' => false]), $again, ...$rest], [], 'ef-coupler-groove')->verdict)->toBe(Verdict::Bad);
});

it('says what gas and water ask for, each beside its step and no other', function () {
    $cautions = fn (string $service, string $step) => implode(' ', small([], ['service' => $service])->steps[$step]->cautions);
    expect($cautions('gas', 'conditions'))
        ->toContain('test the air in the trench')
        ->not->toContain('drinking water')
        ->and($cautions('water', 'conditions'))
        ->toContain('drinking water')
        ->not->toContain('test the air');
    expect($cautions('gas', 'scrape@a'))
        ->toContain('earth and wet the pipe')
        ->and($cautions('water', 'scrape@a'))
        ->not->toContain('a line that carried it');
    foreach (Procedure::shipped() as $procedure) {
        foreach ($procedure->steps as $step) {
            foreach ($step->cautions as $caution) {
                expect($caution->text)->toContain('your local code and your licensed supervisor');
            }
        }
    }
});

it('runs its clocks through the night on which the clock goes back, and through midnight', function (
    string $zone,
    string $ended,
    string $off,
    string $local,
) {
    $facts = array_map(
        fn ($f) => $f[0] === 'fusion'
            ? [
                'fusion',
                ['started_at' => (new DateTimeImmutable($ended))->modify('-154 seconds')->format('Y-m-d\TH:i:sP'), 'ended_at' => $ended] +
                $f[1],
                35,
            ]
            : $f,
        without(smallCoupler(), 'cooling', 'look', 'accept'),
    );
    $judgement = small($facts, ['time_zone' => $zone]);
    expect($judgement->clocks['clamps_off'])
        ->toBe($off)
        ->and(substr($judgement->steps['cooling']->results['clock']['dismantle_local'], 11, 5))
        ->toBe($local);
})->with([
    // Two o'clock comes twice in that night: 15 min from 02:50 summer time is 02:05 winter time.
    ['Europe/Berlin', '2026-10-25T02:50:00+02:00', '2026-10-25T01:05:00Z', '02:05'],
    // And there is no two o'clock in this one.
    ['Europe/Berlin', '2026-03-29T01:50:00+01:00', '2026-03-29T01:05:00Z', '03:05'],
    ['America/New_York', '2026-06-30T23:52:00-04:00', '2026-07-01T04:07:00Z', '00:07'],
]);

it('names the place in a procedure file that asks the library for what it does not have', function (array $steps, string $sentence) {
    expect(fn () => little($steps))->toThrow(Refused::class, $sentence);
})->with([
    [[['use' => 'electrofusion/dance']], 'steps[0].use: "electrofusion/dance" is no step of the library.'],
    [[['use' => '../codes/practice']], 'is no step of the library'],
    [[['use' => ['x']]], 'steps[0].use'],
    [
        [['use' => 'electrofusion/wipe', 'with' => ['fields.9.label' => 'X']]],
        'steps[0].with: there is no fields.9.label in electrofusion/wipe.',
    ],
    // What is set or added is held against the schema as if it had been written there.
    [[['use' => 'electrofusion/wipe', 'with' => ['fields.0.wnat' => true]]], 'did you mean "want"?'],
    [[['use' => 'electrofusion/wipe', 'with' => ['fields.+' => ['key' => 'x', 'label' => 'X', 'typ' => 'text']]]], 'did you mean "type"?'],
    [[['use' => 'electrofusion/wipe', 'with' => ['title.+' => 'X']]], 'steps[0].with: there is no title.+ in electrofusion/wipe.'],
    [[['use' => 'electrofusion/wipe', 'words' => ['Start' => 'a']]], 'steps[0].words: Start must be a word of small letters'],
    [[['use' => 'electrofusion/wipe', 'words' => ['start' => 1]]], 'steps[0].words: start must be a word of small letters'],
    [[['block' => []]], 'steps[0]: a block needs its steps, and each: the names of its rounds.'],
    [[['block' => [['use' => 'electrofusion/dance']], 'each' => ['1']]], 'steps[0].block[0].use'],
]);

it('fills the places that a step of the library leaves open, and adds to its lists', function () {
    $more = ['key' => 'x', 'label' => 'Side {start} {round}', 'type' => 'text', 'optional' => true];
    $taken = ['use' => 'electrofusion/wipe', 'after' => [], 'with' => ['fields.+' => $more], 'words' => ['start' => 'west']];
    $written = StepLibrary::standard()->write(['steps' => [['block' => [$taken], 'each' => ['a', 'b']]]])->text['steps'];
    expect(array_column($written[0]['fields'], 'key'))->toBe(['wiped', 'dry', 'x'])
        ->and($written[0]['fields'][2]['label'])->toBe('Side west 1')
        ->and($written[1]['fields'][2]['label'])->toBe('Side west 2');
});

it('plays every fault of the box in the middle of a joint and never calls it good', function (string $fault) {
    $judgement = small(smallCoupler(4, $fault));
    expect($judgement->verdict)->toBe(Verdict::Bad);
})->with(array_values(array_diff(array_keys(FusionBox::SHOWS), ['none'])));

it('says of the weather what is wrong in words that hold below the dew point too, each by its own limit', function (
    array $weather,
    string $text,
    ?string $limit,
) {
    $fact = $weather + [
        'air_c' => 14,
        'rh_pct' => 60,
        'pipe_c' => 13,
        'fitting_c' => 14,
        'wind_ms' => 2,
        'shelter' => false,
        'rain' => false,
    ];
    $reasons = small(but(smallCoupler(), 'conditions', $fact))->toArray(UnitSystem::Metric, new DateTimeZone('Europe/Vienna'))['reasons'];
    $said = array_column(array_filter($reasons, fn (array $r) => $r['step'] === 'conditions'), 'limit', 'text');
    expect(array_keys($said))->toContain($text)->and($said[$text]['label'] ?? null)->toBe($limit);
})->with([
    'below the dew point' => [
        ['air_c' => 2, 'rh_pct' => 95, 'pipe_c' => 1, 'fitting_c' => 1],
        'The colder surface has 1.0 °C; wanted are 3.0 K above the dew point of 1.3 °C.',
        'surface above the dew point',
    ],
    'below the frost point' => [
        ['air_c' => 0, 'rh_pct' => 95, 'pipe_c' => -2, 'fitting_c' => -2],
        'The colder surface has -2.0 °C; wanted are 3.0 K above the frost point of -0.6 °C.',
        'surface above the dew point',
    ],
    'unequal' => [['pipe_c' => 30], 'Pipe and fitting differ by 16.0 K; allowed are 5.0 K.', 'pipe against fitting'],
    'rain' => [['rain' => true], 'It rains on the joint.', null],
]);
