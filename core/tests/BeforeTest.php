<?php

declare(strict_types=1);

require_once __DIR__.'/before.php';
require_once __DIR__.'/difference.php';

/* What the core answers to its examples, all of it, is what it answered before; a change that is meant is read and kept anew. */

it('answers as before', function (string $name) {
    $before = [];
    foreach (file(__DIR__."/before/{$name}.jsonl", FILE_IGNORE_NEW_LINES) ?: [] as $line) {
        $before += json_decode($line, true, 64, JSON_THROW_ON_ERROR);
    }
    $now = [];
    foreach ((answers()[$name])() as $asked => $answer) {
        $now[$asked] = json_decode((string) json_encode($answer), true);
    }
    expect(array_keys($now))->toBe(array_keys($before));
    foreach ($before as $asked => $answer) {
        expect(difference($now[$asked], $answer, $asked, 1e-6, 1e-3))->toBeNull();
    }
})->with(['calculations', 'judgements']);
