<?php

declare(strict_types=1);

namespace Diastoma\Core\Instrument;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Number;

/** Combined and expanded uncertainty of a measurement from its components. */
#[Calculates('measurement-uncertainty', 'How well is this value known?', Family::Measuring, ['u_c', 'u_expanded'], 'JCGM 100 (GUM)')]
final class MeasurementUncertainty
{
    /**
     * @param  list<UncertaintyPart>  $components
     * @return array{u_c: float, u_expanded: float}
     */
    public function __invoke(
        #[Items('components', UncertaintyPart::class)] array $components,
        #[Number('coverage_k', above: 0)] float $k = 2.0,
    ): array {
        $u = sqrt(array_sum(array_map(fn (UncertaintyPart $c) => $c->standard() ** 2, $components)));

        return ['u_c' => $u, 'u_expanded' => $k * $u];
    }
}
