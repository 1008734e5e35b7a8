<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation;

/** What came of calculations with the inputs that they had: the same inputs are not computed again. */
final class Memory
{
    /** Larger inputs, such as the log of a day, cost more to tell apart than to compute again. */
    private const MOST_ROWS = 2000;

    private const MOST_RESULTS = 400;

    /** @var array<string, array<string, mixed>> */
    private array $results = [];

    /**
     * @param  array<string, mixed>  $input
     * @param  \Closure(): array<string, mixed>  $compute
     * @return array<string, mixed>
     */
    public function recall(string $calculation, array $input, \Closure $compute): array
    {
        foreach ($input as $value) {
            if (is_array($value) && count($value) > self::MOST_ROWS) {
                return $compute();
            }
        }
        $key = hash('xxh128', $calculation.serialize($input));
        if (! isset($this->results[$key])) {
            $result = $compute();
            if (count($this->results) >= self::MOST_RESULTS) {
                unset($this->results[array_key_first($this->results)]);
            }
            $this->results[$key] = $result;
        }

        return $this->results[$key];
    }
}
