<?php

declare(strict_types=1);

use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

/* For which pipe a procedure or method is meant, and why not for others. */

it('says what a procedure is not meant for, and why', function (string $id, array $pipe, ?string $says) {
    $unsuited = Procedure::shipped()[$id]->unsuited($pipe);
    expect($unsuited === [] ? null : implode(' ', $unsuited))->toBe($says);
})->with([
    'a coupler on its pipe' => ['ef-coupler-one-pass', ['material' => 'PE100', 'dn_mm' => 110.0, 'service' => 'water'], null],
    'a coupler on PVC' => [
        'ef-coupler-one-pass',
        ['material' => 'PVC-U', 'dn_mm' => 110.0],
        'It is for PE100, and this is PVC-U. It fuses polyethylene: nothing else melts together with this fitting.',
    ],
    'the scraper up to its size' => ['ef-coupler-hand', ['material' => 'PE100', 'dn_mm' => 63.0], null],
    'and beyond it' => [
        'ef-coupler-hand',
        ['material' => 'PE100', 'dn_mm' => 75.0],
        'It is for 63 mm at most, and this is 75 mm. A larger pipe is not scraped evenly by hand.',
    ],
    'the large coupler from its size' => ['ef-coupler-large', ['material' => 'PE100', 'dn_mm' => 250.0], null],
    'and below it' => [
        'ef-coupler-large',
        ['material' => 'PE100', 'dn_mm' => 225.0],
        'It is for 250 mm and more, and this is 225 mm. Re-rounding by radii, restraints and preheating are for large couplings.',
    ],
    'make-up water on pipe that stretches' => [
        'constant-pressure-makeup',
        ['material' => 'PE100'],
        'It is for PVC-U or Ductile iron, and this is PE100. '.
            'PE stretches under pressure and takes in water without any leak: a tight pipe would be called leaking.',
    ],
    'relaxation on pipe that does not' => [
        'pe-viscoelastic',
        ['material' => 'PVC-U'],
        'It is for PE100, and this is PVC-U. It judges how a pipe stretches and relaxes, and this one hardly does.',
    ],
    // Nothing known is nothing against it: what is refused is refused where the line is made, which states all of it.
    'nothing known' => ['ef-coupler-hand', [], null],
    'only the size known' => ['ef-coupler-one-pass', ['dn_mm' => 110.0], null],
    'a size that is a word' => [
        'ef-coupler-hand',
        ['dn_mm' => 'small'],
        'It is for 63 mm at most, and this is small mm. A larger pipe is not scraped evenly by hand.',
    ],
    'a tick where a material is wanted' => [
        'ef-coupler-one-pass',
        ['material' => true],
        'It is for PE100, and this is 1. It fuses polyethylene: nothing else melts together with this fitting.',
    ],
]);

it('says of every procedure that ships for which material it is, but of those that ask nothing of the pipe', function () {
    $ofAnyPipe = ['as-laid', 'bedding-in', 'covering', 'day-record', 'delivery', 'opening', 'thrust-held', 'trench-bedding'];
    foreach (array_diff_key(Procedure::shipped(), array_flip($ofAnyPipe)) as $id => $procedure) {
        expect($procedure->unsuited(['material' => 'lead']))->not->toBe([], $id);
    }
});

it('says both ends of a range', function () {
    $text = ['suits' => [['of' => 'sdr', 'min' => 11, 'max' => 17, 'why' => 'So thick.']]] + Procedure::shipped()['ef-coupler-hand']->text;
    expect(Procedure::from($text)->unsuited(['sdr' => 21]))->toBe(['It is for SDR 11 to SDR 17, and this is SDR 21. So thick.']);
});

it('takes an allowance of one family with the band of that family alone', function (string $method, string $band, bool $goes) {
    $raw = Data::json("methods/{$method}.json");
    $raw['parameters']['band_of']['value'] = $band;
    $example = Example::shipped()[$method];
    $now = new DateTimeImmutable('2026-05-05T12:00:00+02:00');
    $judgement = Judge::judge(Procedure::from($raw), $example->facts(), $example->line(), $now);
    $phases = $judgement->steps['phases'];
    expect($phases->verdict)->toBe($goes ? Verdict::Good : Verdict::Open);
    if (! $goes) {
        $said = implode(' ', array_map(fn ($r) => $r->text->in(UnitSystem::Metric), $phases->reasons));
        expect($said)->toContain("band_procedure is \"{$band}\"");
    }
})->with([
    ['constant-pressure-makeup', 'asnzs-constant', true],
    ['constant-pressure-makeup', 'awwa-c605', false],
    ['makeup-us', 'awwa-c605', true],
    ['makeup-us', 'asnzs-constant', false],
    ['makeup-us', 'awwa-c6O5', false],
]);

it('takes no make-up method for pipe that stretches', function (string $method) {
    expect(Procedure::shipped()[$method]->unsuited(['material' => 'PE100'])[0] ?? '')->toContain('a tight pipe would be called leaking');
})->with(['constant-pressure-makeup', 'makeup-us']);
