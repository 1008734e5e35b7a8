<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** Dew point by the Magnus formula over water. */
#[Calculates('dew-point', 'At what surface temperature does water settle?', Family::Electrofusion, ['dew_c', 'e_hpa'], 'WMO-No. 8')]
final class DewPoint
{
    /** @return array{dew_c: float, e_hpa: float} */
    public function __invoke(
        #[Measure('air_c', Quantity::Temperature, min: -45, max: 60)] float $air,
        #[Number('rh_pct', above: 0, max: 100)] float $humidity,
    ): array {
        return ['dew_c' => self::of($air, $humidity), 'e_hpa' => 6.112 * exp(17.62 * $air / (243.12 + $air)) * $humidity / 100];
    }

    /** @return float °C */
    public static function of(float $air, float $humidity): float
    {
        $g = log($humidity / 100) + 17.62 * $air / (243.12 + $air);

        return 243.12 * $g / (17.62 - $g);
    }
}
