<?php

declare(strict_types=1);

namespace Diastoma\Core\Gas;

/** What every sum about a gas test takes as given. */
final class Gas
{
    /** Gas is told at 15 °C and the standard atmosphere (ISO 13443). */
    public const STANDARD_K = 288.15;

    public const STANDARD_PA = 101325.0;

    private const ZERO_K = 273.15;

    public static function kelvin(float $celsius): float
    {
        return $celsius + self::ZERO_K;
    }
}
