<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** How much lubricant the joints take: a film round the coated length. To order by, not to judge by. */
#[Calculates(
    'lubricant-need',
    'How much lubricant do the joints take?',
    Family::Gasketed,
    ['per_joint_l', 'total_l'],
    'Geometry; a film of half a millimetre is a guess to order by',
)]
final class LubricantNeed
{
    /** @return array{per_joint_l: float, total_l: float} */
    public function __invoke(
        #[Measure('od_m', Quantity::Length, above: 0)] float $od,
        #[Measure('coated_length_m', Quantity::Length, min: 0)] float $coated,
        #[Measure('film_m', Quantity::Length, min: 0.00005, max: 0.005)] float $film,
        #[Number('joints', min: 1, whole: true)] float $joints,
        #[Number('waste_ratio', min: 0)] float $waste = 0.0,
    ): array {
        $each = 1000 * M_PI * $od * $coated * $film * (1 + $waste);

        return ['per_joint_l' => $each, 'total_l' => $each * $joints];
    }
}
