<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\Procedure;

require_once __DIR__.'/helpers.php';

/* Under each sentence stands the limit that it speaks of: 41 K apart is no matter of the dew point. */

/** @return iterable<string, array{string, string|null, list<string>}> sentence, the limit it takes over, the parameters in it */
function sentencesWithFigures(): iterable
{
    foreach (Procedure::shipped() as $id => $procedure) {
        foreach ($procedure->text['steps'] as $step) {
            foreach ($step['judge'] ?? [] as $rule) {
                foreach ($rule['say'] ?? [] as $say) {
                    preg_match_all('/\{param\.([a-z0-9_]+)/', $say['text'], $found);
                    if ($found[1] !== [] && ! array_key_exists('limit', $say)) {
                        yield "{$id} {$step['id']}: {$say['text']}" => [$say['text'], $rule['limit'] ?? null, $found[1]];
                    }
                }
            }
        }
    }
}

it('cites under a sentence a limit that is named in it, unless the sentence says which', function () {
    $seen = 0;
    foreach (sentencesWithFigures() as $where => [$text, $limit, $named]) {
        $seen++;
        expect($limit === null || in_array($limit, $named, true))->toBeTrue("{$where} cites {$limit}");
    }
    expect($seen)->toBeGreaterThan(40);
});

it('cites the limit of the very fault', function (array $conditions, string $text, ?string $limit) {
    $facts = ['conditions' => $conditions + couplerFacts()['conditions']] + couplerFacts();
    $reasons = judged('ef-coupler-one-pass', $facts)->steps['conditions']->reasons;
    $found = array_values(array_filter($reasons, fn ($r) => str_contains(saidOf($r), $text)));
    expect($found)->toHaveCount(1)->and($found[0]->limit?->name)->toBe($limit);
})->with([
    'apart' => [['pipe_c' => 55, 'fitting_c' => 14], 'Pipe and fitting differ by 41', 'diff_max_k'],
    'wind' => [['wind_ms' => 19, 'shelter' => false], 'Wind of 19', 'wind_max_ms'],
    'rain' => [['rain' => true, 'shelter' => false], 'It rains on the joint.', null],
]);

it('shows before the work all that it is going to be held against', function () {
    $limits = judged('ef-coupler-one-pass', [])->steps['conditions']->limits;
    expect(array_map(fn ($l) => $l->name, $limits))->toBe(['dew_margin_min_k', 'diff_max_k', 'wind_max_ms']);
});
