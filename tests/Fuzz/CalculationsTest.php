<?php

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Refused;
use Tests\Fuzz\Mutator;

/** How often the inputs of each calculation are altered. */
const ALTERED = 200;

/** @return array<string, list<array<string, mixed>>> every accepted worked example of each calculation */
function bases(): array
{
    $found = [];
    foreach (glob(dirname(__DIR__, 2).'/core/tests/examples/*.jsonl') ?: [] as $file) {
        foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            $example = json_decode($line, true);
            if (! isset($example['out']['error'])) {
                $found[$example['calc']][] = $example['in'];
            }
        }
    }

    return $found;
}

it('answers altered inputs with finite numbers or a sentence, never with a crash', function (string $name) {
    $mutator = new Mutator(crc32($name));
    $bases = bases()[$name];
    // A warning is a crash that was not noticed.
    set_error_handler(
        fn (int $level, string $message, string $file, int $line) => throw new ErrorException($message, 0, $level, $file, $line),
    );
    $answered = 0;
    try {
        for ($i = 0; $i < ALTERED; $i++) {
            $in = $mutator->alter($bases[$i % count($bases)]);
            try {
                $out = Registry::standard()->run($name, $in);
                json_encode($out, JSON_THROW_ON_ERROR);
                $answered++;
            } catch (Refused $refused) {
                expect($refused->firstField())->not->toBe('')->and(mb_strlen($refused->getMessage()))->toBeGreaterThan(8);
            } catch (Throwable $e) {
                throw new LogicException(
                    "{$name}, {$i}: ".
                        $e::class.
                        ' '.
                        $e->getMessage().
                        ' at '.
                        $e->getFile().
                        ':'.
                        $e->getLine().
                        "\n".
                        json_encode($in, JSON_PARTIAL_OUTPUT_ON_ERROR),
                    0,
                    $e,
                );
            }
        }
    } finally {
        restore_error_handler();
    }
    expect($answered)->toBeLessThan(ALTERED);
})->with(fn () => array_keys(bases()));
