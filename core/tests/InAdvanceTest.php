<?php

declare(strict_types=1);

use Diastoma\Core\Procedure\Procedure;

require_once __DIR__.'/helpers.php';

/* Nothing is answered in advance; what one tap answers is what a sound joint answers. */

/** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> each question of yes or no with its step */
function questions(): iterable
{
    foreach (Procedure::shipped() as $id => $procedure) {
        foreach ($procedure->text['steps'] as $step) {
            foreach ($step['fields'] ?? [] as $field) {
                if (($field['type'] ?? '') === 'yesno') {
                    yield "{$id}, {$step['id']}, {$field['key']}" => [$step, $field];
                }
            }
        }
    }
}

it('answers no question of yes or no in advance', function () {
    $seen = 0;
    foreach (questions() as $where => [, $field]) {
        $seen++;
        expect(isset($field['preset']) || isset($field['suggest']))->toBeFalse($where);
    }
    expect($seen)->toBeGreaterThan(60);
});

it('takes with one tap what its example of a sound joint answers, and no other', function () {
    $seen = 0;
    foreach (Procedure::shipped() as $id => $procedure) {
        $good = json_decode((string) file_get_contents(dirname(__DIR__)."/data/examples/{$id}.json"), true)['good'];
        foreach (questions() as $where => [$step, $field]) {
            $should = $field['want'] ?? $field['should'] ?? null;
            if (! str_starts_with($where, "{$id},") || $should === null) {
                continue;
            }
            foreach ($good as $entry) {
                $answer = explode('@', $entry['step'])[0] === $step['id'] ? $entry['value'][$field['key']] ?? null : null;
                if ($answer !== null) {
                    $seen++;
                    expect($answer)->toBe($should, $where);
                }
            }
        }
    }
    expect($seen)->toBeGreaterThan(60);
});

it('says of a fitting what its scanned code says, to be confirmed with one tap, and of an unread code nothing', function () {
    $scanned = fn (array $code) => judged(
        Procedure::shipped()['ef-coupler-one-pass'],
        ['code' => $code + couplerFacts()['code']] + array_slice(couplerFacts(), 0, 4),
    )->steps['label']->scanned;
    expect($scanned([]))->toEqual(['dn_mm' => 110, 'voltage_v' => 39.5, 'time_s' => 150]);
    $unread = couplerFacts();
    unset($unread['code'], $unread['label']);
    expect(judged(Procedure::shipped()['ef-coupler-one-pass'], $unread)->steps['label']->scanned)->toBe([]);
});

it('knows which tool was taken, and holds it against what is said of the end', function (string $way, string $said, string $verdict) {
    $facts = couplerFacts();
    $facts['kit']['tool']['way'] = $way;
    $facts['scrape@a']['tool'] = $said;
    $judged = judged(Procedure::shipped()['ef-coupler-one-pass'], $facts)->steps['scrape@a'];
    expect($judged->verdict->value)->toBe($verdict);
})->with([
    'turned with the turning tool' => ['turning', 'turning', 'good'],
    'a hand scraper passes for no turning tool' => ['hand', 'turning', 'bad'],
    'nor the other way round' => ['turning', 'hand', 'bad'],
]);
