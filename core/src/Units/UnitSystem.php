<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

/** In which units a person reads and types. */
enum UnitSystem: string
{
    /** pressure in kPa */
    case Metric = 'metric';
    /** metric, pressure in bar */
    case Bar = 'bar';
    /** US customary, pressure in psi */
    case Us = 'us';

    /** Pressure for those who read kPa; what is small (mbar) or large (MPa) keeps its own unit. */
    private const KPA = ['bar' => 'kpa', 'psi' => 'kpa', 'bar_h' => 'kpa_h', 'psi_h' => 'kpa_h', 'l_per_bar' => 'l_per_kpa'];

    private const BAR = ['kpa' => 'bar', 'psi' => 'bar', 'kpa_h' => 'bar_h', 'psi_h' => 'bar_h', 'l_per_kpa' => 'l_per_bar'];

    /** Key suffix => key suffix shown in US customary units. */
    private const US = [
        'mm' => 'in', 'cm' => 'in', 'm' => 'ft', 'km' => 'mi', 'c' => 'f', 'degc' => 'degf', 'k' => 'degf',
        'pa' => 'psi', 'kpa' => 'psi', 'mpa' => 'psi', 'bar' => 'psi', 'mbar' => 'psi',
        'l' => 'gal', 'm3' => 'gal', 'earth_m3' => 'yd3', 'l_h' => 'gal_h', 'l_s' => 'gpm', 'l_min' => 'gpm',
        'kn' => 'lbf', 'n' => 'lbf', 'nm' => 'ftlb', 'kg' => 'lb', 'ms' => 'ft_s', 'm_s' => 'ft_s', 'kpa_h' => 'psi_h',
        'bar_h' => 'psi_h', 'l_per_bar' => 'gal_per_psi', 'l_per_kpa' => 'gal_per_psi',
    ];

    public function suffix(string $suffix): string
    {
        $shown = match ($this) {
            self::Metric => self::KPA,
            self::Bar => self::BAR,
            self::Us => self::US,
        };

        return $shown[$suffix] ?? $suffix;
    }
}
