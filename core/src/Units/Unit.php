<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

/**
 * A unit at the edge: si = offset + factor × number.
 *
 * Factors are exact by definition (international yard and pound 1959, standard gravity 9.80665 m/s²,
 * conventional millimetre of mercury) unless marked. Checked against GNU Units 2.22.
 */
final readonly class Unit
{
    public const POUND_FORCE = 4.4482216152605;

    public const PSI = self::POUND_FORCE / (0.0254 * 0.0254);

    public const FOOT_POUND = 0.3048 * self::POUND_FORCE;

    public const US_GALLON = 0.003785411784;

    public const IMPERIAL_GALLON = 0.00454609;

    public function __construct(
        public string $symbol,
        public Quantity $quantity,
        public float $factor,
        public float $offset = 0.0,
    ) {
    }

    public function toSi(float $number): float
    {
        return $this->offset + $this->factor * $number;
    }

    public function fromSi(float $si): float
    {
        return ($si - $this->offset) / $this->factor;
    }

    /** The unit that a key suffix names, for example (`Length`, `mm`). */
    public static function of(Quantity $quantity, string $suffix): self
    {
        return self::all()[$quantity->value][$suffix]
            ?? throw new \LogicException("No unit _{$suffix} for {$quantity->value}");
    }

    /** The unit that the end of a name tells; where several quantities share it, that of the first. */
    public static function named(string $suffix): ?self
    {
        static $named = null;

        return ($named ??= array_reduce(self::all(), fn (array $found, array $units) => $found + $units, []))[$suffix] ?? null;
    }

    /** @return array<string, array<string, self>> quantity => key suffix => unit */
    public static function all(): array
    {
        static $all = null;

        return $all ??= self::build();
    }

    /** @return array<string, array<string, self>> */
    private static function build(): array
    {
        $psi = self::PSI;
        $gal = self::US_GALLON;
        $pressure = [
            'pa' => ['Pa', 1], 'hpa' => ['hPa', 100], 'kpa' => ['kPa', 1e3], 'mpa' => ['MPa', 1e6], 'gpa' => ['GPa', 1e9],
            'bar' => ['bar', 1e5], 'mbar' => ['mbar', 100], 'psi' => ['psi', $psi], 'ksi' => ['ksi', 1000 * $psi],
            'atm' => ['atm', 101325], 'inhg' => ['inHg', 3386.388640341], 'mh2o' => ['mH2O', 9806.65],
            'fth2o' => ['ftH2O', 2989.06692], 'inh2o' => ['inH2O', 249.08891], 'mmhg' => ['mmHg', 133.322387415],
        ];
        $tables = [
            'length' => [
                'm' => ['m', 1], 'cm' => ['cm', 0.01], 'mm' => ['mm', 0.001], 'km' => ['km', 1000], 'um' => ['µm', 1e-6],
                'in' => ['in', 0.0254], 'ft' => ['ft', 0.3048], 'yd' => ['yd', 0.9144], 'mi' => ['mi', 1609.344],
            ],
            'pressure' => $pressure,
            'torque' => [
                'nm' => ['N·m', 1],
                'knm' => ['kN·m', 1000],
                'ftlb' => ['ft-lb', self::FOOT_POUND],
                'inlb' => ['in-lb', self::FOOT_POUND / 12],
            ],
            'temperature' => [
                'c' => ['°C', 1], 'degc' => ['°C', 1], 'f' => ['°F', 1 / 1.8, -32 / 1.8], 'degf' => ['°F', 1 / 1.8, -32 / 1.8],
            ],
            'temperature_difference' => ['k' => ['K', 1], 'degf' => ['°F', 1 / 1.8], 'f' => ['°F', 1 / 1.8]],
            'force' => ['n' => ['N', 1], 'kn' => ['kN', 1000], 'lbf' => ['lbf', self::POUND_FORCE]],
            'mass' => ['kg' => ['kg', 1], 'g' => ['g', 0.001], 'lb' => ['lb', 0.45359237]],
            'volume' => [
                'm3' => ['m³', 1], 'l' => ['L', 1e-3], 'ml' => ['mL', 1e-6], 'gal' => ['US gal', $gal],
                'impgal' => ['imp gal', self::IMPERIAL_GALLON], 'ft3' => ['ft³', 0.028316846592],
                // Soil and concrete are reckoned in cubic yards where water is in gallons.
                'earth_m3' => ['m³', 1], 'yd3' => ['yd³', 0.764554857984],
            ],
            'flow' => [
                'm3_s' => ['m³/s', 1], 'l_s' => ['L/s', 1e-3], 'l_min' => ['L/min', 1 / 60000], 'l_h' => ['L/h', 1 / 3.6e6],
                'm3_h' => ['m³/h', 1 / 3600], 'gpm' => ['US gpm', $gal / 60], 'gal_h' => ['US gal/h', $gal / 3600],
            ],
            'angle' => ['rad' => ['rad', 1], 'deg' => ['°', M_PI / 180]],
            'time' => ['s' => ['s', 1], 'min' => ['min', 60], 'h' => ['h', 3600], 'd' => ['d', 86400]],
            'velocity' => ['m_s' => ['m/s', 1], 'ms' => ['m/s', 1], 'ft_s' => ['ft/s', 0.3048]],
            'density' => ['kg_m3' => ['kg/m³', 1], 'kgm3' => ['kg/m³', 1]],
            'pressure_rate' => [
                'pa_s' => ['Pa/s', 1], 'kpa_min' => ['kPa/min', 1000 / 60], 'kpa_h' => ['kPa/h', 1000 / 3600],
                'bar_h' => ['bar/h', 1e5 / 3600], 'psi_h' => ['psi/h', $psi / 3600],
            ],
            'expansion' => ['per_k' => ['1/K', 1], 'pct_per_k' => ['%/K', 0.01], 'per_f' => ['1/°F', 1.8]],
            'compliance' => [
                'm3_per_pa' => ['m³/Pa', 1], 'l_per_bar' => ['L/bar', 1e-8], 'l_per_kpa' => ['L/kPa', 1e-6],
                'gal_per_psi' => ['US gal/psi', $gal / $psi],
            ],
            'voltage' => ['v' => ['V', 1]],
            'current' => ['a' => ['A', 1]],
            'resistance' => ['ohm' => ['Ω', 1]],
            'power' => ['w' => ['W', 1], 'kw' => ['kW', 1000]],
            'sewer_loss' => [
                'm3_m_m_s' => ['m³/(m·m·s)', 1], 'gal_in_mi_d' => ['US gal/(in·mi·d)', $gal / 0.0254 / 1609.344 / 86400],
                'l_mm_km_d' => ['L/(mm·km·d)', 1e-3 / 86400],
            ],
            'energy' => ['j' => ['J', 1], 'kj' => ['kJ', 1000], 'mj' => ['MJ', 1e6]],
        ];
        $all = [];
        foreach ($tables as $quantity => $rows) {
            foreach ($rows as $suffix => $row) {
                $all[$quantity][$suffix] = new self($row[0], Quantity::from($quantity), (float) $row[1], (float) ($row[2] ?? 0));
            }
        }

        return $all;
    }
}
