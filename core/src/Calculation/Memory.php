<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation;

/** What came of calculations with the inputs that they had: the same inputs are not computed again. */
final class Memory
{
    /** Larger inputs, such as the log of a day, are not worth the room that they take. */
    private const MOST_ROWS = 2000;

    /** Of one calculation; the oldest goes first. */
    private const MOST_RESULTS = 64;

    /** @var array<string, list<array{array<string, mixed>, array<string, mixed>}>> input and result, by calculation */
    private array $results = [];

    /**
     * @param  array<string, mixed>  $input
     * @param  \Closure(): array<string, mixed>  $compute
     * @return array<string, mixed>
     */
    public function recall(string $calculation, array $input, \Closure $compute): array
    {
        // The same lists stand in the same facts: comparing them ends at once, where telling them apart by a hash reads them whole.
        foreach ($this->results[$calculation] ?? [] as [$known, $result]) {
            if ($known === $input) {
                return $result;
            }
        }
        $result = $compute();
        if (self::isSmall($input)) {
            $this->results[$calculation][] = [$input, $result];
            if (\count($this->results[$calculation]) > self::MOST_RESULTS) {
                array_shift($this->results[$calculation]);
            }
        }

        return $result;
    }

    /** @param  array<string, mixed>  $input */
    private static function isSmall(array $input): bool
    {
        foreach ($input as $value) {
            if (\is_array($value) && \count($value) > self::MOST_ROWS) {
                return false;
            }
        }

        return true;
    }
}
