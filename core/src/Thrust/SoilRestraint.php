<?php

declare(strict_types=1);

namespace Diastoma\Core\Thrust;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** What soil does for a metre of locked pipe: it rubs along it and bears against it. An engineer approves every coefficient. */
#[Calculates(
    'soil-restraint',
    'How much does the soil hold a metre of pipe?',
    Family::Gasketed,
    ['friction_n_m', 'passive_pa', 'bearing_n_m'],
    'The method as used in the US for ductile iron, from memory in every coefficient',
)]
final class SoilRestraint
{
    /** @return array{friction_n_m: float, passive_pa: float, bearing_n_m: float} */
    public function __invoke(
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] float $od,
        #[Measure('cohesion_pa', Quantity::Pressure, min: 0)] float $cohesion,
        #[Number('phi_deg', min: 0, max: 45)] float $phi,
        #[Number('phi_ratio', min: 0, max: 1, about: 'of the angle, between soil and pipe')] float $phiRatio,
        #[Number('cohesion_ratio', min: 0, max: 1, about: 'of the cohesion, between soil and pipe')] float $cohesionRatio,
        #[Number('soil_n_m3', min: 0, max: 26000, about: 'unit weight, N/m³')] float $soil,
        #[Measure('cover_m', Quantity::Length, min: 0, max: 30)] float $cover,
        #[Number('pipe_n_m', min: 0, max: 1e6, about: 'weight of the pipe, N/m')] float $pipe,
        #[Number('water_n_m', min: 0, max: 1e6, about: 'weight of the water in it, N/m')] float $water,
        #[Number('kn', above: 0, max: 1, about: '0.2 loose to 1 dense')] float $kn,
        #[Number('contact_share', min: 0.25, max: 1, about: '0.5 for bends, 1 for ends and branches')] float $contact,
        #[Number('encasement_factor', above: 0, max: 1, about: 'loose film about 0.7')] float $encasement = 1.0,
    ): array {
        $weight = 2 * $soil * $cover * $od + $pipe + $water;
        $rubs = M_PI * $od * $contact * $cohesionRatio * $cohesion + $weight * tan(deg2rad($phiRatio * $phi));
        $n = tan(deg2rad(45 + $phi / 2)) ** 2;
        $passive = $soil * ($cover + $od / 2) * $n + 2 * $cohesionRatio * $cohesion * sqrt($n);

        return ['friction_n_m' => $rubs * $encasement, 'passive_pa' => $passive, 'bearing_n_m' => $kn * $passive * $od];
    }
}
