<?php

declare(strict_types=1);

namespace Diastoma\Core\Ring;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** The gauge that must go through a pipe which is no flatter than the limit. */
#[Calculates('mandrel-diameter', 'How thick is the gauge that must go through?', Family::Gasketed, ['mandrel_m'], 'Definition')]
final class MandrelDiameter
{
    /** @return array{mandrel_m: float} */
    public function __invoke(
        #[Measure('base_id_m', Quantity::Length, above: 0, max: 5, about: 'base inside diameter of the standard')] float $base,
        #[Number('limit_pct', above: 0, max: 15)] float $limit,
    ): array {
        return ['mandrel_m' => $base * (1 - $limit / 100)];
    }
}
