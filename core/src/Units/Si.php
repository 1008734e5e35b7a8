<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

/** From the core's SI numbers to the units that output keys name. */
final class Si
{
    /** Standard gravity, m/s² (exact, 3rd CGPM 1901). */
    public const GRAVITY = 9.80665;

    public static function mm(float $metres): float
    {
        return $metres / 0.001;
    }

    public static function inches(float $metres): float
    {
        return $metres / 0.0254;
    }

    public static function feet(float $metres): float
    {
        return $metres / 0.3048;
    }

    public static function deg(float $radians): float
    {
        return rad2deg($radians);
    }

    public static function kpa(float $pascals): float
    {
        return $pascals / 1000;
    }

    public static function bar(float $pascals): float
    {
        return $pascals / 1e5;
    }

    public static function psi(float $pascals): float
    {
        return $pascals / Unit::PSI;
    }

    public static function litres(float $cubicMetres): float
    {
        return $cubicMetres / 1e-3;
    }

    public static function usGallons(float $cubicMetres): float
    {
        return $cubicMetres / Unit::US_GALLON;
    }
}
