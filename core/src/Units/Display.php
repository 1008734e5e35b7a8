<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

/** A number with its unit, as a person reads it. The key tells the unit; rounding is for reading only. */
final class Display
{
    /** Decimals by unit when nothing else is asked. */
    private const DECIMALS = [
        'mm' => 1, 'in' => 3, 'm' => 2, 'ft' => 2, 'c' => 1, 'f' => 1, 'degc' => 1, 'degf' => 1, 'k' => 1, 'kpa' => 0, 'bar' => 2,
        'psi' => 1, 'l' => 1, 'gal' => 2, 'm3' => 2, 'earth_m3' => 1, 'yd3' => 1, 'kn' => 1, 'lbf' => 0, 's' => 0, 'min' => 0, 'h' => 1,
        'v' => 1, 'a' => 1,
        'ohm' => 2, 'j' => 0, 'deg' => 1, 'l_h' => 2, 'gal_h' => 3, 'l_s' => 1, 'gpm' => 0, 'ms' => 1, 'm_s' => 2, 'ft_s' => 1,
        'kpa_h' => 1, 'bar_h' => 3, 'psi_h' => 2, 'l_per_bar' => 2, 'l_per_kpa' => 4, 'gal_per_psi' => 3, 'mpa' => 2, 'nm' => 1,
        'ftlb' => 1, 'inlb' => 0, 'n' => 0,
    ];

    private const PLAIN = ['pct' => '%', 'percent' => '%'];

    /** @param  string  $key  name of the value, its last part the unit: `ovality_mm` */
    public static function value(string $key, float $value, ?int $decimals, UnitSystem $system): string
    {
        foreach (self::PLAIN as $suffix => $sign) {
            if (str_ends_with($key, '_'.$suffix)) {
                return self::number($value, $decimals ?? 1).' '.$sign;
            }
        }
        [$suffix, $unit] = self::unitOf($key);
        if ($unit === null) {
            return self::number($value, $decimals ?? self::needed($value));
        }
        $shown = $system->suffix($suffix);
        if ($shown !== $suffix) {
            $other = Unit::of($unit->quantity, $shown);
            $value = $other->fromSi($unit->toSi($value));
            [$unit, $decimals] = [$other, self::decimalsIn($unit, $other, $decimals) ?? self::enough($shown, $value)];
        }
        $space = $unit->symbol === '°' ? '' : ' ';

        return self::number($value, $decimals ?? self::enough($shown, $value)).$space.$unit->symbol;
    }

    /** How many decimals a figure in this unit has where nothing else is asked. */
    public static function decimals(string $suffix): int
    {
        return self::DECIMALS[$suffix] ?? 2;
    }

    /** How many decimals a limit is written with, where its unit's own would round it: 0.15 mm is not 0.2 mm. */
    public static function asWritten(string $key, float $value): ?int
    {
        [$suffix, $unit] = self::unitOf($key);
        $written = \strlen((string) strrchr(rtrim(number_format($value, 4, '.', ''), '0'), '.')) - 1;

        return $unit === null || $written <= self::decimals($suffix) ? null : $written;
    }

    /** A few kPa are read to their tenths and hundredths: half a kPa is not one. */
    private static function enough(string $suffix, float $value): int
    {
        $isSmall = $suffix === 'kpa' && abs($value) < 10 && abs($value - round($value)) > 1e-6;

        return $isSmall ? (abs($value) < 1 ? 2 : 1) : self::decimals($suffix);
    }

    /** From bar to kPa and back the point moves: as many figures as were asked for. Otherwise the unit's own decimals. */
    private static function decimalsIn(Unit $from, Unit $to, ?int $asked): ?int
    {
        $places = log10($to->factor / $from->factor);

        return $asked === null || abs($places - round($places)) > 1e-9 ? null : max(0, $asked + (int) round($places));
    }

    /** @return array{string, Unit|null} */
    public static function unitOf(string $key): array
    {
        $parts = explode('_', $key);
        foreach ([4, 3, 2, 1] as $n) {
            if (\count($parts) <= $n) {
                continue;
            }
            $suffix = implode('_', \array_slice($parts, -$n));
            $unit = Unit::named($suffix);
            if ($unit !== null) {
                return [$suffix, $unit];
            }
        }

        return ['', null];
    }

    private static function number(float $value, int $decimals): string
    {
        $text = number_format($value, $decimals, '.', '');

        return (float) $text == 0.0 ? ltrim($text, '-') : $text;
    }

    private static function needed(float $value): int
    {
        return floor($value) === $value ? 0 : 2;
    }
}
