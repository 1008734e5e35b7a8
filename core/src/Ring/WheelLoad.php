<?php

declare(strict_types=1);

namespace Diastoma\Core\Ring;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** What a wheel on the ground puts on the crown of the pipe. */
#[Calculates(
    'wheel-load',
    'What does a wheel put on the pipe?',
    Family::Gasketed,
    ['pressure_pa'],
    'Spread by depth, or Boussinesq; impact and spread factors are those of the traffic rule',
)]
final class WheelLoad
{
    /** @return array{pressure_pa: float} at the crown */
    public function __invoke(
        #[Measure('wheel_n', Quantity::Force, min: 0, max: 1e7)] float $wheel,
        #[Measure('cover_m', Quantity::Length, above: 0, max: 20)] float $cover,
        #[Choice('method', ['spread', 'boussinesq'])] string $method,
        #[Number('impact', min: 1, max: 2)] float $impact = 1.0,
        #[Measure('patch_a_m', Quantity::Length, min: 0, max: 5, about: 'across the way')] ?float $across = null,
        #[Measure('patch_b_m', Quantity::Length, min: 0, max: 5, about: 'along the way')] ?float $along = null,
        #[Number('spread_factor', min: 0.5, max: 2.5, about: 'growth of the patch for each metre of depth')] ?float $spread = null,
        #[Number('wheels', min: 1, max: 20, whole: true, about: 'in a row')] float $wheels = 1.0,
        #[Measure('spacing_m', Quantity::Length, min: 0, max: 20)] float $spacing = 0.0,
        #[Measure('offset_m', Quantity::Length, min: 0, max: 50, about: 'of the wheel from the pipe, level')] float $offset = 0.0,
    ): array {
        if ($method === 'boussinesq') {
            return ['pressure_pa' => $impact * 3 * $wheel / (2 * M_PI * $cover ** 2) / (1 + ($offset / $cover) ** 2) ** 2.5];
        }
        foreach (['patch_a_m' => $across, 'patch_b_m' => $along, 'spread_factor' => $spread] as $key => $given) {
            if ($given === null) {
                throw Refused::field($key, "{$key} is missing: a load that spreads starts from a patch and grows with depth.");
            }
        }
        $a = (float) $across + (float) $spread * $cover;
        $b = (float) $along + (float) $spread * $cover;
        $alone = $wheel / ($a * $b);
        $together = $wheels > 1 && $a > $spacing ? $wheels * $wheel / (($a + ($wheels - 1) * $spacing) * $b) : 0.0;

        return ['pressure_pa' => $impact * max($alone, $together)];
    }
}
