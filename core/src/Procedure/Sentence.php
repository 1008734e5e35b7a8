<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Round\Clock;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\Unit;
use Diastoma\Core\Units\UnitSystem;

/**
 * A sentence with places for values: `{result.ovality_judged_mm|1} is over {param.ovality_limit_mm}`.
 *
 * A place is a path into the values of the judgement; the unit comes from the end of its name, and the
 * reader's own units are used. After a bar: decimals (`|1`), unit and decimals (`|mm.0`), `raw`, `time`, `count`,
 * `quarter` (clock positions to the quarter hour: nobody sets a clamp to the minute).
 */
final class Sentence
{
    /** @param  array<string, mixed>  $values */
    public static function render(string $template, array $values, UnitSystem $units, ?\DateTimeZone $zone = null): string
    {
        if (! str_contains($template, '{')) {
            return $template;
        }

        return (string) preg_replace_callback('/\{([a-z0-9_.@-]+)(?:\|(\d|raw|time|count|quarter|[a-z]+\.\d))?\}/i', function (array $m) use ($values, $units, $zone): string {
            $value = $values;
            foreach (explode('.', $m[1]) as $part) {
                $value = is_array($value) ? ($value[$part] ?? null) : null;
            }
            $how = $m[2] ?? '';
            $name = substr((string) strrchr('.'.$m[1], '.'), 1);
            if (str_contains($how, '.') && is_numeric($value)) {
                [$name, $value, $how] = self::inUnit($name, (float) $value, $how);
            }

            return match (true) {
                $value === null => '–',
                $how === 'count' => (string) count((array) $value),
                $how === 'quarter' && is_string($value) => self::quarterHours($value),
                $how === 'time' && is_string($value) => self::clock($value, $zone),
                is_bool($value) => $value ? 'yes' : 'no',
                is_array($value) => implode(', ', array_map(fn ($v) => is_scalar($v) ? str_replace('-', ' ', (string) $v) : '', $value)),
                is_int($value) || is_float($value) => $how === 'raw' ? (string) round((float) $value, 4)
                    : Display::value($name, (float) $value, is_numeric($how) ? (int) $how : null, $units),
                default => (string) $value,
            };
        }, $template);
    }

    /**
     * Is every place of a sentence known?
     *
     * @param  array<string, mixed>  $values
     */
    public static function knows(string $template, array $values): bool
    {
        preg_match_all('/\{([a-z0-9_.@-]+)/i', $template, $places);
        foreach ($places[1] as $place) {
            $value = $values;
            foreach (explode('.', $place) as $part) {
                $value = is_array($value) ? ($value[$part] ?? null) : null;
            }
            if ($value === null) {
                return false;
            }
        }

        return true;
    }

    /** @return array{string, float, string} name that ends in the wanted unit, value in it, decimals */
    private static function inUnit(string $name, float $value, string $how): array
    {
        [$suffix, $decimals] = explode('.', $how);
        [, $own] = Display::unitOf($name);

        return $own === null ? [$name, $value, $decimals] : ["x_{$suffix}", Unit::of($own->quantity, $suffix)->fromSi($own->toSi($value)), $decimals];
    }

    private static function quarterHours(string $text): string
    {
        return (string) preg_replace_callback('/\d{1,2}:\d\d/', fn (array $m) => Clock::text(round(Clock::degrees($m[0]) / 7.5) * 7.5), $text);
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
