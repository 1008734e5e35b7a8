<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation;

/** What a calculation has given, where one part of the core goes on reckoning with the result of another. */
final class Given
{
    /**
     * @param  array<string, mixed>  $result
     *
     * @throws \UnexpectedValueException where it gives no number of that name
     */
    public static function number(array $result, string $name): float
    {
        $value = $result[$name] ?? null;

        return \is_int($value) || \is_float($value) ? (float) $value : throw new \UnexpectedValueException("No number is given as {$name}");
    }

    /**
     * @param  array<string, mixed>  $result
     *
     * @throws \UnexpectedValueException where it gives no text of that name
     */
    public static function text(array $result, string $name): string
    {
        $value = $result[$name] ?? null;

        return \is_string($value) ? $value : throw new \UnexpectedValueException("No text is given as {$name}");
    }
}
