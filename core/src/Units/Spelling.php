<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

/**
 * Units as people write them, in the order of preference of each kind.
 *
 * Matching ignores case and plural s, except where a spelling would be ambiguous ({@see self::REFUSED}).
 */
final class Spelling
{
    private const PSI = ['psi', 'lb/in2', 'lbf/in2'];

    /** kind => list of [first spelling, further spellings, quantity, suffix in {@see Unit}] or a factor instead of a suffix */
    private const TABLE = [
        'length' => [
            ['m', ['metre', 'meter'], 'm'], ['cm', [], 'cm'], ['mm', [], 'mm'],
            ['in', ['inch', 'inches', '"'], 'in'], ['ft', ['foot', 'feet', "'"], 'ft'], ['yd', ['yard'], 'yd'], ['thou', [], 0.0000254],
        ],
        'pressure' => [
            ['Pa', [], 'pa'], ['kPa', [], 'kpa'], ['MPa', [], 'mpa'], ['bar', [], 'bar'], ['mbar', [], 'mbar'],
            ['psi', self::PSI, 'psi'], ['ksi', [], 'ksi'], ['kgf/cm2', ['kg/cm2'], 98066.5], ['atm', [], 'atm'],
            ['mH2O', ['mwc', 'm head'], 'mh2o'], ['ftH2O', ['ft head', 'ftwc'], 'fth2o'], ['inH2O', ['inwc'], 'inh2o'],
            ['mmHg', [], 'mmhg'], ['inHg', [], 'inhg'],
        ],
        'torque' => [
            ['N·m', ['nm'], 'nm'], ['kN·m', ['knm'], 'knm'], ['daN·m', ['danm'], 10.0],
            ['ft-lb', ['ftlb', 'lbft', 'ftlbf', 'lbfft'], 'ftlb'], ['in-lb', ['inlb', 'lbin', 'inlbf', 'lbfin'], 'inlb'],
            ['kgf·m', ['kgfm', 'kgm', 'mkg'], 9.80665], ['kgf·cm', ['kgfcm', 'kgcm'], 0.0980665],
        ],
        'temperature' => [
            ['°C', ['c', 'degc', 'deg c'], 'c'], ['°F', ['f', 'degf', 'deg f'], 'f'], ['K', ['kelvin'], null],
        ],
        'temperature_difference' => [
            ['K', ['kelvin', '°c', 'c', 'degc'], 'k'], ['°F', ['f', 'degf'], 'degf'],
        ],
        'force' => [['N', [], 'n'], ['kN', [], 'kn'], ['lbf', [], 'lbf'], ['kgf', [], 9.80665]],
        'mass' => [
            ['kg', [], 'kg'], ['g', [], 'g'], ['lb', [], 'lb'], ['tonne', ['t'], 1000.0],
            ['short ton', [], 907.18474], ['long ton', [], 1016.0469088],
        ],
        'volume' => [
            ['L', ['l', 'litre', 'liter'], 'l'], ['mL', [], 'ml'], ['m3', [], 'm3'], ['US gal', ['usgal', 'us gallon'], 'gal'],
            ['imp gal', ['impgal', 'imp gallon'], 'impgal'], ['ft3', ['cu ft'], 'ft3'], ['yd3', ['cu yd'], 'yd3'],
        ],
        'flow' => [
            ['L/s', ['lps'], 'l_s'], ['L/min', ['lpm'], 'l_min'], ['L/h', [], 'l_h'], ['m3/h', [], 'm3_h'], ['m3/s', [], 'm3_s'],
            ['US gpm', ['usgpm'], 'gpm'], ['imp gpm', ['impgpm'], Unit::IMPERIAL_GALLON / 60],
        ],
        'angle' => [['°', ['deg', 'degree'], 'deg'], ['rad', [], 'rad'], ['mm/m', [], null], ['in/ft', [], null]],
        'chainage' => [['m', [], 1.0], ['km', [], 1000.0], ['ft', ['foot', 'feet', "'"], 0.3048], ['ftUS', ['usft'], 1200 / 3937]],
    ];

    /** kind => pattern of a spelling that has two readings => what to say */
    private const REFUSED = [
        'temperature' => ['/^°$|^deg$/i' => 'say °C or °F', '/^R$/' => 'Rankine or Réaumur? use °C or °F', '/^k$/' => 'write K for kelvin'],
        'temperature_difference' => ['/^°$|^deg$/i' => 'say K, °C or °F', '/^R$/' => 'use K or °F'],
        'torque' => ['/^(lbs?|#|ft\s*#|lbf)$/i' => 'in-lb or ft-lb?', '/^lbf?s?\/ft$/i' => 'lb/ft is force per length: write ft-lb'],
        'pressure' => [
            '/^(kg|lbs?|#)$/i' => 'that is a mass or a force: write kgf/cm2 or psi',
            '/^m[Pp]a$/' => 'millipascal or megapascal? write MPa or kPa',
            '/^(m|ft|metres?|feet)$/i' => 'a length is no pressure: write mH2O or ftH2O',
            '/^at$/i' => 'technical or standard atmosphere? write atm or bar',
        ],
        'length' => ['/^mils?$/i' => '0.001 in or mm? write thou or mm', '/^Mm$/' => 'megametre? write mm'],
        'mass' => ['/^(tons?|T)$/' => 'short, long or metric ton? write tonne, short ton or long ton'],
    ];

    /**
     * @return array{label: string, factor: float, offset: float, assumed: list<string>}|null null when unknown
     *
     * @throws Ambiguous
     */
    public static function find(string $kind, string $text, ?string $gallon): ?array
    {
        foreach (self::REFUSED[$kind] ?? [] as $pattern => $why) {
            if (preg_match($pattern.'u', $text) === 1) {
                throw new Ambiguous("\"{$text}\": {$why}");
            }
        }
        if (preg_match('/^(gal|gallon|gallons|gpm)$/i', $text) === 1 && \in_array($kind, ['volume', 'flow'], true)) {
            $text = match ($gallon) {
                'us' => 'US '.$text, 'imperial' => 'imp '.$text,
                default => throw new Ambiguous("\"{$text}\": US or imperial gallon?"),
            };
        }
        $wanted = self::plain($kind, $text);
        foreach (self::TABLE[$kind] ?? [] as [$label, $others, $how]) {
            foreach ([$label, ...$others] as $spelling) {
                if (\in_array($wanted, [self::plain($kind, $spelling), self::plain($kind, $spelling).'s'], true) && $wanted !== '') {
                    return [...self::scale($kind, $label, $how), 'assumed' => self::echoes($kind, $text, $label)];
                }
            }
        }

        return null;
    }

    /** @return list<array{label: string, factor: float, offset: float}> all units of a kind, in the order of the table */
    public static function siblings(string $kind): array
    {
        return array_map(fn (array $row) => self::scale($kind, $row[0], $row[2]), self::TABLE[$kind] ?? []);
    }

    /** @return list<string> */
    public static function labels(string $kind): array
    {
        return array_column(self::TABLE[$kind] ?? [], 0);
    }

    /** @return list<string> */
    public static function kinds(): array
    {
        return array_keys(self::TABLE);
    }

    private static function plain(string $kind, string $spelling): string
    {
        $spelling = mb_strtolower($spelling);
        if ($kind === 'torque') {
            $spelling = str_replace([' ', '.', '-', '·', '*'], '', $spelling);
            $spelling = str_replace('lbs', 'lb', $spelling);
        }

        return str_replace([' ', '²', '³'], ['', '2', '3'], $spelling);
    }

    /** @return array{label: string, factor: float, offset: float} */
    private static function scale(string $kind, string $label, string|float|null $how): array
    {
        if (\is_string($how)) {
            $unit = Unit::of(Quantity::from($kind), $how);

            return ['label' => $label, 'factor' => $unit->factor, 'offset' => $unit->offset];
        }
        if ($how === null) {
            // Kelvin on a temperature field; a slope is turned into an angle by the parser (NAN factor marks it).
            return $label === 'K'
                ? ['label' => 'K', 'factor' => 1.0, 'offset' => -273.15]
                : ['label' => $label, 'factor' => NAN, 'offset' => 0.0];
        }

        return ['label' => $label, 'factor' => $how, 'offset' => 0.0];
    }

    /** @return list<string> */
    private static function echoes(string $kind, string $text, string $label): array
    {
        $echoed = ['Mpa' => 'pressure', 'MM' => 'length', 'nm' => 'torque', 't' => 'mass'];

        return ($echoed[$text] ?? null) === $kind ? ["unit {$label}"] : [];
    }
}
