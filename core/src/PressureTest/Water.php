<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Refused;

/** Density, isothermal compressibility and expansion of water, 0 to 60 °C. Kell 1975, J. Chem. Eng. Data 20. */
final class Water
{
    private const DENSITY = [999.83952, 16.945176, -7.9870401e-3, -46.170461e-6, 105.56302e-9, -280.54253e-12];

    private const DENSITY_BOTTOM = 16.879850e-3;

    private const COMPRESSIBILITY = [50.88496, 0.6163813, 1.459187e-3, 20.08438e-6, -58.47727e-9, 410.4110e-12];

    private const COMPRESSIBILITY_BOTTOM = 19.67348e-3;

    /** Rise of the mean bulk modulus with pressure; fit to UNESCO 1980, within 0.2 % to 50 MPa. */
    private const MODULUS_PER_PRESSURE = 3.25;

    public static function mustBeLiquid(float $t, string $field = 't_water'): void
    {
        if ($t < 0 || $t > 60) {
            throw Refused::field($field, "{$field} is {$t} °C; water in a pipe test has 0 to 60 °C.");
        }
    }

    /** kg/m³ at 1 atm */
    public static function density(float $t): float
    {
        return self::polynomial(self::DENSITY, $t) / (1 + self::DENSITY_BOTTOM * $t);
    }

    /** kg/m³; without a temperature the round figure. */
    public static function densityOr(?float $t, float $otherwise = 1000.0): float
    {
        if ($t !== null) {
            self::mustBeLiquid($t);
        }

        return $t === null ? $otherwise : self::density($t);
    }

    /** Bulk modulus averaged from 0 to $p, Pa. */
    public static function bulkModulus(float $t, float $p = 0.0): float
    {
        $compressibility = self::polynomial(self::COMPRESSIBILITY, $t) / (1 + self::COMPRESSIBILITY_BOTTOM * $t) * 1e-11;

        return 1 / $compressibility + self::MODULUS_PER_PRESSURE * $p;
    }

    /** Volume expansion 1/K; negative below 4 °C. */
    public static function expansion(float $t): float
    {
        $slope = 0.0;
        foreach (self::DENSITY as $i => $c) {
            $slope += $i === 0 ? 0.0 : $i * $c * $t ** ($i - 1);
        }

        return self::DENSITY_BOTTOM / (1 + self::DENSITY_BOTTOM * $t) - $slope / self::polynomial(self::DENSITY, $t);
    }

    /** @param  list<float>  $c */
    private static function polynomial(array $c, float $t): float
    {
        return array_reduce(array_reverse($c), fn (float $sum, float $x) => $sum * $t + $x, 0.0);
    }
}
