<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\UnitSystem;

/**
 * A sentence with places for values: `{result.ovality_judged_mm|1} is over {param.ovality_limit_mm}`.
 *
 * A place is a path into the values of the judgement; the unit comes from the end of its name, and the
 * reader's own units are used.
 */
final class Sentence
{
    /** @param  array<string, mixed>  $values */
    public static function render(string $template, array $values, UnitSystem $units, ?\DateTimeZone $zone = null): string
    {
        return (string) preg_replace_callback('/\{([a-z0-9_.@-]+)(?:\|(\d|raw|time|count))?\}/i', function (array $m) use ($values, $units, $zone): string {
            $value = $values;
            foreach (explode('.', $m[1]) as $part) {
                $value = is_array($value) ? ($value[$part] ?? null) : null;
            }
            $how = $m[2] ?? '';

            return match (true) {
                $value === null => '–',
                $how === 'count' => (string) count((array) $value),
                $how === 'time' && is_string($value) => self::clock($value, $zone),
                is_bool($value) => $value ? 'yes' : 'no',
                is_array($value) => implode(', ', array_map(fn ($v) => is_scalar($v) ? str_replace('-', ' ', (string) $v) : '', $value)),
                is_int($value) || is_float($value) => $how === 'raw' ? (string) round((float) $value, 4)
                    : Display::value(substr((string) strrchr('.'.$m[1], '.'), 1), (float) $value, is_numeric($how) ? (int) $how : null, $units),
                default => (string) $value,
            };
        }, $template);
    }

    private static function clock(string $iso, ?\DateTimeZone $zone): string
    {
        try {
            return (new \DateTimeImmutable($iso))->setTimezone($zone ?? new \DateTimeZone('UTC'))->format('H:i');
        } catch (\Exception) {
            return $iso;
        }
    }
}
