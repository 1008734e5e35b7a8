<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Station text to distance and back: 1+234.567 is metres, 12+34.56 is feet. */
#[Calculates(
    'station-format',
    'What distance is this station?',
    Family::Gasketed,
    ['distance_m', 'station'],
    'Survey practice: three digits after the plus in km, two in 100 ft',
)]
final class StationFormat
{
    /** @return array<string, float|string> */
    public function __invoke(
        #[Choice('system', ['si', 'us'])] string $system,
        #[Text('station', 30)] ?string $station = null,
        #[Measure('distance_m', Quantity::Length, min: 0)] ?float $distance = null,
    ): array {
        if (($station === null) === ($distance === null)) {
            throw Refused::field('station|distance_m', 'give exactly one of station and distance_m.');
        }
        $step = $system === 'si' ? 1000 : 100;
        if ($station !== null) {
            $digits = $system === 'si' ? 3 : 2;
            if (preg_match('/^(\d+)\+(\d{'.$digits.'}(?:\.\d+)?)$/', trim($station), $m) !== 1) {
                throw Refused::field(
                    'station',
                    "station \"{$station}\" does not fit: after the plus stand {$digits} digits in the system {$system}.",
                );
            }
            $value = (int) $m[1] * $step + (float) $m[2];

            return ['distance_m' => $system === 'si' ? $value : $value * 0.3048];
        }

        // Round first, then split: 1999.9999 m is 2+000.000.
        return ['station' => $system === 'si'
            ? self::split((int) round((float) $distance * 1000), 1000000, 1000, 3, 3)
            : self::split((int) round(Si::feet((float) $distance) * 100), 10000, 100, 2, 2)];
    }

    private static function split(int $smallest, int $perStation, int $perUnit, int $digits, int $decimals): string
    {
        $rest = $smallest % $perStation;

        return sprintf("%d+%0{$digits}d.%0{$decimals}d", intdiv($smallest, $perStation), intdiv($rest, $perUnit), $rest % $perUnit);
    }
}
