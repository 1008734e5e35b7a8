<?php

declare(strict_types=1);

use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Procedure;

require_once __DIR__.'/helpers.php';

/* A procedure that was compiled once and kept as PHP is the same procedure: nothing of it is lost, and it judges the same. */

it('makes the same procedure again, which judges the good run in the same words', function (string $id) {
    $example = Example::shipped()[$id];
    $again = madeAgain($example->procedure);
    $now = new DateTimeImmutable('2026-05-05T08:00:00+02:00');
    $said = fn (Procedure $p) => json_encode(Judge::judge($p, $example->facts(), $example->line(), $now)->toArray());
    expect($again)->toEqual($example->procedure)->and($said($again))->toBe($said($example->procedure));
})->with(fn () => array_keys(Example::shipped()));

it('makes a frozen text of each age again, what it cannot resolve being as open as it was', function (string $path) {
    $text = json_decode((string) file_get_contents($path), true);
    $frozen = Procedure::frozen($text, Procedure::hash($text));
    expect(madeAgain($frozen))->toEqual($frozen)->and(madeAgain($frozen)->text)->toBe($text);
})->with(fn () => glob(__DIR__.'/frozen/*.json'));

it('keeps what a writer put into a sentence as a sentence', function () {
    $text = Data::json('procedures/ef-coupler-one-pass.json');
    $text['title'] = "'].exec('x').['<?php \$this \\";
    expect(madeAgain(Procedure::from($text))->title)->toBe($text['title']);
});
