<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** Nominal and temperature-reduced pressure of polyethylene pipe for water. PN = 20 MRS/(C (SDR - 1)) bar. */
#[Calculates(
    'pe-pressure-rating',
    'What pressure may this PE pipe carry?',
    Family::Electrofusion,
    ['pressure_bar', 'f_t', 'pfa_bar'],
    'ISO 4427-1, EN 12201-1; temperature factors ISO 13761',
)]
final class PePressureRating
{
    /** Temperature °C => factor, straight lines between (ISO 13761 for the three values). */
    private const FACTORS = [20 => 1.0, 30 => 0.87, 40 => 0.74];

    /** @return array<string, float> */
    public function __invoke(
        #[Number('mrs_mpa', above: 0, max: 20)] float $mrs,
        #[Number('c_factor', min: 1.25, max: 5)] float $c,
        #[Number('sdr', min: 5, max: 50)] float $sdr,
        #[Measure('temp_c', Quantity::Temperature, min: -20, max: 40)] float $temperature = 20.0,
    ): array {
        $bar = 20 * $mrs / ($c * ($sdr - 1));
        $factor = self::factor($temperature);

        return ['pressure_bar' => $bar, 'f_t' => $factor, 'pfa_bar' => $factor * $bar];
    }

    /** @param  float  $temperature  °C, up to 40 */
    public static function factor(float $temperature): float
    {
        if ($temperature <= 20) {
            return 1.0;
        }
        $from = $temperature <= 30 ? 20 : 30;

        return self::FACTORS[$from] + (self::FACTORS[$from + 10] - self::FACTORS[$from]) * ($temperature - $from) / 10;
    }
}
