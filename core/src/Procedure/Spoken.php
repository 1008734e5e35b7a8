<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calendar;
use Diastoma\Core\Round\Clock;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\Unit;
use Diastoma\Core\Units\UnitSystem;

/** A sentence with its values, kept until the reader's units and time zone are known. */
final readonly class Spoken
{
    /** @param  list<string|array{mixed, string, string}>  $parts  text, or value, name (its end tells the unit) and how it is shown */
    public function __construct(private array $parts)
    {
    }

    public static function plain(string $text): self
    {
        return new self($text === '' ? [] : [$text]);
    }

    /** The same, and after it these words. */
    public function then(string $words): self
    {
        return new self([...$this->parts, $words]);
    }

    /** The same, and before it these words. */
    public function after(string $words): self
    {
        return new self([$words, ...$this->parts]);
    }

    public function in(UnitSystem $units, ?\DateTimeZone $zone = null): string
    {
        return implode(
            '',
            array_map(
                fn (string|array $part) => \is_string($part) ? $part : self::shown($part[0], $part[1], $part[2], $units, $zone),
                $this->parts,
            ),
        );
    }

    private static function shown(mixed $value, string $name, string $how, UnitSystem $units, ?\DateTimeZone $zone): string
    {
        if (str_contains($how, '.') && is_numeric($value)) {
            [$name, $value, $how] = self::inUnit($name, (float) $value, $how);
        }

        return match (true) {
            \is_int($value) || \is_float($value) => $how === 'raw' ? (string) round((float) $value, 4)
                : Display::value($name, (float) $value, is_numeric($how) ? (int) $how : null, $units),
            $value === null => '–',
            $how === 'count' => (string) \count((array) $value),
            $how === 'quarter' && \is_string($value) => self::quarterHours($value),
            $how === 'time' && \is_string($value) => self::clock($value, $zone, 'H:i'),
            $how === 'moment' && \is_string($value) => self::clock($value, $zone, 'j M, H:i'),
            $how === 'day' && \is_string($value) => self::day($value),
            \is_bool($value) => $value ? 'yes' : 'no',
            \is_array($value) => implode(', ', array_map(self::word(...), $value)),
            default => \is_string($value) ? $value : '',
        };
    }

    private static function word(mixed $value): string
    {
        return \is_scalar($value) ? str_replace('-', ' ', (string) $value) : '';
    }

    /** @return array{string, float, string} name that ends in the wanted unit, value in it, decimals */
    private static function inUnit(string $name, float $value, string $how): array
    {
        [$suffix, $decimals] = explode('.', $how);
        [, $own] = Display::unitOf($name);

        return $own === null
            ? [$name, $value, $decimals]
            : ["x_{$suffix}", Unit::of($own->quantity, $suffix)->fromSi($own->toSi($value)), $decimals];
    }

    private static function quarterHours(string $text): string
    {
        return (string) preg_replace_callback(
            '/\d{1,2}:\d\d/',
            fn (array $m) => Clock::text(round(Clock::degrees($m[0]) / 7.5) * 7.5),
            $text,
        );
    }

    /** "31 Dec 2026"; a day has no time zone. */
    private static function day(string $iso): string
    {
        $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $iso);

        return $day === false ? $iso : $day->format('j M Y');
    }

    private static function clock(string $iso, ?\DateTimeZone $zone, string $format): string
    {
        try {
            return Calendar::read($iso)->setTimezone($zone ?? new \DateTimeZone('UTC'))->format($format);
        } catch (\Exception) {
            return $iso;
        }
    }
}
