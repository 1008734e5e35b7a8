<?php

declare(strict_types=1);

require_once __DIR__.'/before.php';

/* What the core answers to its examples, all of it, is what it answered before; a change that is meant is read and kept anew. */

function sameAsBefore(mixed $now, mixed $before, string $where): void
{
    if (is_array($before)) {
        expect($now)->toBeArray($where)->and(array_keys($now))->toBe(array_keys($before), $where);
        foreach ($before as $key => $value) {
            sameAsBefore($now[$key], $value, "{$where} › {$key}");
        }
    } elseif (is_int($before) || is_float($before)) {
        expect($now)->toBeNumeric($where)->and((float) $now)->toEqualWithDelta((float) $before, 1e-6 * max(1e-3, abs($before)), $where);
    } else {
        expect($now)->toBe($before, $where);
    }
}

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
        sameAsBefore($now[$asked], $answer, $asked);
    }
})->with(['calculations', 'judgements']);
