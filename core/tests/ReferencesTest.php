<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Electrofusion\FittingCode;
use Diastoma\Core\Round\Student;

/*
 * Outside references: what SciPy computes by ways of its own, and rows of published tables. Each line of
 * references/*.jsonl is {"calc", "in", "out", "source", "rel" or "abs"}; the scripts beside them write the files.
 */
function references(): iterable
{
    foreach (glob(__DIR__.'/references/*.jsonl') ?: [] as $file) {
        foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $i => $line) {
            $row = json_decode($line, true, 64, JSON_THROW_ON_ERROR);
            yield $row['calc'].' '.basename($file).':'.($i + 1) => [$row];
        }
    }
}

it('agrees with the outside', function (array $row) {
    $out = Registry::standard()->run($row['calc'], $row['in']);
    foreach ($row['out'] as $key => $wanted) {
        foreach ((array) $wanted as $i => $one) {
            $got = is_array($wanted) ? ($out[$key][$i] ?? null) : ($out[$key] ?? null);
            $where = "{$key}, {$row['source']}";
            is_string($one)
                ? expect($got)->toBe($one, $where)
                : expect($got)
                    ->toBeNumeric($where)
                    ->and((float) $got)
                    ->toEqualWithDelta($one, $row['abs'] ?? max(1e-12, $row['rel'] * abs($one)), $where);
        }
    }
})->with(references());

it('names the source of every reference', function () {
    foreach (references() as $name => [$row]) {
        expect($row['source'])->toBeString()->not->toBe('', $name)->and(isset($row['rel']) || isset($row['abs']))->toBeTrue($name);
    }
});

// scipy.stats.t.ppf and the printed table of Student's t, two-sided 95 %.
it('knows Student\'s t', function (float $p, int $degrees, float $t) {
    expect(Student::quantile($p, $degrees))->toEqualWithDelta($t, 1e-6 * $t);
})->with([
    [0.975, 1, 12.706204736],
    [0.975, 2, 4.3026527297],
    [0.975, 5, 2.5705818356],
    [0.975, 30, 2.0422724563],
    [0.95, 4, 2.1318467863],
    [0.995, 7, 3.4994832974],
]);

// scipy.special.erfc, on both sides of where the series ends and the continued fraction begins; erfc(-x) = 2 - erfc(x).
it('knows the tail of the normal distribution', function (float $x, float $erfc) {
    expect(Student::erfc($x))
        ->toEqualWithDelta($erfc, 1e-9 * $erfc)
        ->and(Student::erfc(-$x))
        ->toEqualWithDelta(2 - $erfc, 1e-12)
        ->and(Student::normal(-$x * M_SQRT2))
        ->toEqualWithDelta($erfc / 2, 1e-9 * $erfc);
})->with([
    [0.3, 0.6713732405408726],
    [2.4, 0.0006885138966450789],
    [2.5, 0.0004069520174449589],
    [3.0, 2.2090496998585438e-05],
    [5.0, 1.5374597944280351e-12],
]);

// Check digits printed with published article numbers: the modulo-10 sum with weights 3 and 1 from the right; zeros in front add nothing.
it('computes the check digit of published numbers', function (string $digits, int $check) {
    expect((int) FittingCode::checkDigit(str_pad($digits, 23, '0', STR_PAD_LEFT)))->toBe($check);
})->with([['629104150021', 3], ['400638133393', 1], ['03600029145', 2], ['1234567890123', 1], ['978030640615', 7]]);
