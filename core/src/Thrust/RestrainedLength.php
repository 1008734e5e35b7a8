<?php

declare(strict_types=1);

namespace Diastoma\Core\Thrust;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** How far on each side the joints must be locked, so that soil holds what pressure pushes. Rounded up to whole pipes by who lays. */
#[Calculates(
    'restrained-length',
    'How far must the joints be locked?',
    Family::Gasketed,
    ['length_m'],
    'General form of friction and passive soil, from memory',
)]
final class RestrainedLength
{
    /** @return array{length_m: float} */
    public function __invoke(
        #[Choice('type', ['bend-horizontal', 'bend-up', 'bend-down', 'dead-end', 'tee', 'reducer'])] string $type,
        #[Measure('pressure_pa', Quantity::Pressure, min: 0, max: 1e7)] float $pressure,
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] float $od,
        #[Number('safety_factor', min: 1, max: 3)] float $safety,
        #[Number('friction_n_m', above: 0, max: 1e9, about: 'of the soil along a metre, N/m')] float $friction,
        #[Number('angle_deg', above: 0, max: 90)] ?float $angle = null,
        #[Number('bearing_n_m', min: 0, max: 1e9, about: 'of the soil against a metre, N/m')] ?float $bearing = null,
        #[Measure('small_od_m', Quantity::Length, above: 0, max: 5)] ?float $small = null,
        #[Measure('branch_od_m', Quantity::Length, above: 0, max: 5)] ?float $branch = null,
        #[Measure('run_length_m', Quantity::Length, min: 0, max: 1000, about: 'through the tee without a joint')] ?float $run = null,
    ): array {
        $end = $safety * $pressure * M_PI * $od ** 2 / 4;
        $half = fn (): float => tan(deg2rad(self::wanted($angle, 'angle_deg')) / 2);
        $bears = fn (): float => self::wanted($bearing, 'bearing_n_m');

        return ['length_m' => match ($type) {
            'bend-horizontal', 'bend-up' => $end * $half() / ($friction + $bears() / 2),
            'bend-down' => $end * $half() / $friction,
            'dead-end' => $end / $friction,
            'reducer' => $safety * $pressure * M_PI * ($od ** 2 - Branch::smaller($small, $od) ** 2) / 4 / $friction,
            default => max(
                0.0,
                $safety * $pressure * M_PI * Branch::od($branch, $od) ** 2 / 4 - self::wanted($run, 'run_length_m') * $bears(),
            ) / $friction,
        }];
    }

    private static function wanted(?float $value, string $key): float
    {
        return $value ?? throw Refused::field($key, "{$key} is missing: this kind needs it.");
    }
}
