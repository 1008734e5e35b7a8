<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion\Melt;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** How far melting has gone from a wall held above the melting point, in a solid at its melting point. */
#[Calculates(
    'stefan-front',
    'How far has melting gone from a hot wall?',
    Family::Electrofusion,
    ['ste', 'lambda', 'front_mm'],
    'Neumann\'s solution of the Stefan problem: x exp(x²) erf x = Ste/√π',
)]
final class StefanFront
{
    /** @return array{ste: float, lambda: float, front_mm: float} */
    public function __invoke(
        #[Number('k_wmk', above: 0)] float $conductivity,
        #[Number('rho_kgm3', above: 0)] float $density,
        #[Number('c_jkgk', above: 0)] float $heat,
        #[Number('latent_jkg', above: 0)] float $latent,
        #[Measure('dt_k', Quantity::TemperatureDifference, above: 0)] float $over,
        #[Measure('t_s', Quantity::Time, min: 0)] float $time,
    ): array {
        $stefan = $heat * $over / $latent;
        $low = 0.0;
        $high = 1.0;
        $short = fn (float $x): bool => $x * exp($x * $x) * ErrorFunction::erf($x) < $stefan / sqrt(M_PI);
        while ($short($high)) {
            $high *= 2;
        }
        for ($i = 0; $i < 100; $i++) {
            $middle = ($low + $high) / 2;
            $short($middle) ? $low = $middle : $high = $middle;
        }
        $root = ($low + $high) / 2;

        return ['ste' => $stefan, 'lambda' => $root, 'front_mm' => Si::mm(2 * $root * sqrt($conductivity / ($density * $heat) * $time))];
    }
}
