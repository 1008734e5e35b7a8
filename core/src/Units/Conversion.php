<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

use Diastoma\Core\Refused;

/** A number from one unit into another of the same kind; nothing is rounded. */
final class Conversion
{
    /**
     * @param  'torque'|'pressure'|'length'|'temperature'  $kind
     *
     * @throws Refused
     */
    public static function of(string $kind, float $value, string $from, string $to): float
    {
        [$source, $target] = [self::unit($kind, 'from', $from), self::unit($kind, 'to', $to)];
        $si = $source['offset'] + $source['factor'] * $value;
        if ($kind === 'temperature' && $si < -273.15 - 1e-9) {
            throw Refused::field('value', "value is {$value} {$source['label']}, below absolute zero.");
        }
        if ($kind === 'torque' && $value < 0) {
            throw Refused::field('value', "value is {$value}; a torque is 0 or more.");
        }

        return ($si - $target['offset']) / $target['factor'];
    }

    /** @return array{label: string, factor: float, offset: float} */
    private static function unit(string $kind, string $field, string $text): array
    {
        try {
            $unit = Spelling::find($kind, $text, null);
        } catch (Ambiguous $ambiguous) {
            throw Refused::field($field, "{$field} is \"{$text}\": {$ambiguous->getMessage()}.");
        }

        return $unit ?? throw Refused::field(
            $field,
            "{$field} is \"{$text}\", no unit of {$kind}; known are ".implode(', ', Spelling::labels($kind)).'.',
        );
    }
}
