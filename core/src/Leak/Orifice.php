<?php

declare(strict_types=1);

namespace Diastoma\Core\Leak;

/** Water through a round hole. */
final class Orifice
{
    /** Coefficient of a sharp edge. */
    public const SHARP = 0.6;

    /** kg/m³ */
    public const WATER = 1000.0;

    /** @return float m³/s */
    public static function flow(float $diameter, float $pressure, float $cd, float $density): float
    {
        return $cd * M_PI / 4 * $diameter ** 2 * sqrt(2 * $pressure / $density);
    }

    /**
     * The hole that lets this much out.
     *
     * @param  float  $flow  m³/s
     * @param  float  $pressure  Pa, above 0
     * @return float m
     */
    public static function diameter(float $flow, float $pressure, float $cd, float $density): float
    {
        return sqrt($flow / ($cd * M_PI / 4 * sqrt(2 * $pressure / $density)));
    }
}
