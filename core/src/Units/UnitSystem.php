<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

/** In which units a person reads and types. */
enum UnitSystem: string
{
    case Metric = 'metric';
    case Us = 'us';

    /** Key suffix => key suffix shown in US customary units. */
    private const US = [
        'mm' => 'in', 'cm' => 'in', 'm' => 'ft', 'km' => 'mi', 'c' => 'f', 'degc' => 'degf', 'k' => 'degf',
        'pa' => 'psi', 'kpa' => 'psi', 'mpa' => 'psi', 'bar' => 'psi', 'mbar' => 'psi',
        'l' => 'gal', 'm3' => 'gal', 'l_h' => 'gal_h', 'l_s' => 'gpm', 'l_min' => 'gpm',
        'kn' => 'lbf', 'n' => 'lbf', 'nm' => 'ftlb', 'kg' => 'lb', 'ms' => 'ft_s', 'm_s' => 'ft_s', 'kpa_h' => 'psi_h',
    ];

    public function suffix(string $suffix): string
    {
        return $this === self::Us ? (self::US[$suffix] ?? $suffix) : $suffix;
    }
}
