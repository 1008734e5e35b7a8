<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/** Thrust on ends, valves, bends, reducers and tees: whether closure, block or restraint carries the test. */
#[Calculates('end-thrust', 'What force must the closure carry?', Family::PressureTest, ['force_kn', 'force_lbf'], 'Statics')]
final class EndThrust
{
    /** @return array{force_kn: float, force_lbf: float} */
    public function __invoke(
        #[Measure('p_bar', Quantity::Pressure, min: 0)] float $pressure,
        #[Measure('seal_od_mm', Quantity::Length, above: 0, about: 'diameter at which the joint seals')] float $seal,
        #[Choice('fitting', ['end', 'valve', 'bend', 'reducer', 'tee'])] string $fitting,
        #[Number('angle_deg', above: 0, max: 180)] ?float $angle = null,
        #[Measure('small_od_mm', Quantity::Length, above: 0)] ?float $small = null,
        #[Measure('branch_od_mm', Quantity::Length, above: 0)] ?float $branch = null,
    ): array {
        $area = fn (float $d) => M_PI / 4 * $d ** 2;
        $force = $pressure * match ($fitting) {
            'bend' => 2 * $area($seal) * sin(deg2rad(self::wanted('angle', $angle)) / 2),
            'reducer' => $area($seal) - $area($this->smaller(self::wanted('small_od', $small), $seal)),
            'tee' => $area(self::wanted('branch_od', $branch)),
            default => $area($seal),
        };

        return ['force_kn' => $force / 1000, 'force_lbf' => $force / Unit::POUND_FORCE];
    }

    private function smaller(float $small, float $seal): float
    {
        return $small < $seal
            ? $small
            : throw Refused::field('small_od', sprintf('small_od %g mm must be less than seal_od %g mm.', Si::mm($small), Si::mm($seal)));
    }

    private static function wanted(string $field, ?float $value): float
    {
        return $value ?? throw Refused::field($field, "{$field} is missing: this fitting needs it.");
    }
}
