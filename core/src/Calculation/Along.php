<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation;

use Diastoma\Core\Refused;

/** How the figures of a sum, and its verdict, go with one of its inputs while all others stand: what a picture of it draws. */
final readonly class Along
{
    /** Points of a picture. */
    public const POINTS = 41;

    public function __construct(private Registry $registry)
    {
    }

    /**
     * @param  array<string, mixed>  $input  of the sum, as for one run
     * @param  string  $key  of the input that goes from `$from` to `$to`, with its unit; it must be a figure of the sum
     * @return \Generator<int, array{at: float, out: array<string, float>, verdict: string|null}> `out` is empty where it is refused
     *
     * @throws Refused for a key that is no figure of the sum, and ends that are no stretch
     */
    public function points(string $name, array $input, string $key, float $from, float $to): \Generator
    {
        if (! is_numeric($input[$key] ?? null)) {
            throw Refused::field('key', "{$key} is no figure of this sum that stands in its inputs.");
        }
        if (! is_finite($from) || ! is_finite($to) || $from >= $to) {
            throw Refused::field('to', "A picture from {$from} to {$to}: the end must be greater than the beginning.");
        }
        for ($i = 0; $i < self::POINTS; $i++) {
            $at = $from + ($to - $from) * $i / (self::POINTS - 1);
            try {
                $out = $this->registry->run($name, [$key => $at] + $input);
            } catch (Refused) {
                $out = [];
            }
            yield [
                'at' => $at,
                'out' => array_map(floatval(...), array_filter($out, fn (mixed $value) => \is_int($value) || \is_float($value))),
                'verdict' => \is_string($out['verdict'] ?? null) ? $out['verdict'] : null,
            ];
        }
    }
}
