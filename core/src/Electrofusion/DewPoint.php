<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/**
 * Dew point over water and, where it lies below 0 °C, frost point over ice by the Magnus formula. The frost point is
 * the higher of the two: hoar forms sooner than dew.
 */
#[Calculates(
    'dew-point',
    'At what surface temperature does water or frost settle?',
    Family::Electrofusion,
    ['dew_c', 'frost_c', 'e_hpa'],
    'WMO-No. 8, over water and over ice',
)]
final class DewPoint
{
    /** @return array{dew_c: float, frost_c: float|null, e_hpa: float} */
    public function __invoke(
        #[Measure('air_c', Quantity::Temperature, min: -45, max: 60)] float $air,
        #[Number('rh_pct', above: 0, max: 100)] float $humidity,
    ): array {
        return [
            'dew_c' => self::of($air, $humidity), 'frost_c' => self::frost($air, $humidity),
            'e_hpa' => 6.112 * exp(17.62 * $air / (243.12 + $air)) * $humidity / 100,
        ];
    }

    /** @return float °C */
    public static function of(float $air, float $humidity): float
    {
        $g = self::exponent($air, $humidity);

        return 243.12 * $g / (17.62 - $g);
    }

    /** @return float|null °C; null where the dew point is 0 °C or above */
    public static function frost(float $air, float $humidity): ?float
    {
        $g = self::exponent($air, $humidity);

        return self::of($air, $humidity) >= 0 ? null : 272.62 * $g / (22.46 - $g);
    }

    /** ln of the vapour pressure over 6.112 hPa. */
    private static function exponent(float $air, float $humidity): float
    {
        return log($humidity / 100) + 17.62 * $air / (243.12 + $air);
    }
}
