<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion\Melt;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** Temperature rise in a thick body whose face takes in a constant flux; an analytic check of the heat model. */
#[Calculates(
    'semi-infinite-flux',
    'How warm does a thick body get under a constant flux?',
    Family::Electrofusion,
    ['dt_k'],
    'Carslaw and Jaeger, Conduction of Heat in Solids: constant flux into a half-space',
)]
final class SemiInfiniteFlux
{
    /** @return array{dt_k: float} */
    public function __invoke(
        #[Number('k_wmk', above: 0)] float $conductivity,
        #[Number('rho_kgm3', above: 0)] float $density,
        #[Number('c_jkgk', above: 0)] float $heat,
        #[Number('q_wm2')] float $flux,
        #[Measure('t_s', Quantity::Time, above: 0)] float $time,
        #[Measure('x_mm', Quantity::Length, min: 0)] float $depth = 0.0,
    ): array {
        $diffusivity = $conductivity / ($density * $heat);
        $reach = sqrt($diffusivity * $time);

        return [
            'dt_k' => ((((2 * $flux) / $conductivity) * $reach) / sqrt(M_PI)) * exp(-($depth ** 2) / (4 * $diffusivity * $time)) -
                (($flux * $depth) / $conductivity) * ErrorFunction::erfc($depth / (2 * $reach)),
        ];
    }
}
