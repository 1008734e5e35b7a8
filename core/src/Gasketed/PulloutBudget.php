<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** Will the spigot stay in? Everything that draws it out, taken off what is in: room left, cold, pressure, angle, settlement. */
#[Calculates(
    'pullout-budget',
    'Will the spigot stay in?',
    Family::Gasketed,
    ['thermal_m', 'pressure_m', 'angle_m', 'total_m', 'remaining_m', 'pass', 'verdict'],
    'Thermal and Poisson shortening of one pipe (half of each neighbour), geometry of the angle',
    verdicts: ['good', 'bad', 'open'],
)]
final class PulloutBudget
{
    /** @return array<string, mixed> `pressure_m` is null where no pressure was given */
    public function __invoke(
        #[Measure('length_m', Quantity::Length, above: 0)] float $length,
        #[Measure('od_m', Quantity::Length, above: 0)] float $od,
        #[Measure('engagement_m', Quantity::Length, above: 0, about: 'from the stop to the inner line of the seal')] float $engagement,
        #[Measure('min_engagement_m', Quantity::Length, min: 0)] float $least,
        #[Measure('laid_gap_m', Quantity::Length, min: 0)] float $laid,
        #[Number('alpha_per_c', min: 1e-6, max: 3e-4)] float $alpha,
        #[Measure('laying_temp_c', Quantity::Temperature, min: -30, max: 70)] float $laying,
        #[Measure('min_temp_c', Quantity::Temperature, min: -40, max: 70)] float $coldest,
        #[Number('angle_deg', min: 0, max: 15)] float $angle = 0.0,
        #[Measure('settlement_m', Quantity::Length, min: 0)] float $settlement = 0.0,
        #[Measure('pressure_pa', Quantity::Pressure, min: 0, max: 1e7)] ?float $pressure = null,
        #[Measure('e_pa', Quantity::Pressure, above: 0, about: 'modulus of the pipe')] ?float $modulus = null,
        #[Number('poisson', min: 0, max: 0.5)] ?float $poisson = null,
        #[Measure('wall_m', Quantity::Length, above: 0)] ?float $wall = null,
    ): array {
        if ($pressure !== null) {
            foreach (['e_pa' => $modulus, 'poisson' => $poisson, 'wall_m' => $wall] as $key => $value) {
                if ($value === null) {
                    throw Refused::field($key, "{$key} is missing: with a pressure the pipe shortens by it.");
                }
            }
            if ($wall >= $od / 2) {
                throw Refused::field('wall_m', "wall_m: wall {$wall} m leaves no bore in a {$od} m pipe.");
            }
        }
        $cold = $alpha * $length * max(0.0, $laying - $coldest);
        $shortened = $pressure === null ? null : ($poisson * $pressure * ($od - $wall) / (2 * $wall) / $modulus) * $length;
        $leaned = ($od / 2) * tan(deg2rad($angle));
        $total = $laid + $cold + ($shortened ?? 0.0) + $leaned + $settlement;
        $pass = Compare::atLeast($engagement - $total, $least);

        return [
            'thermal_m' => $cold,
            'pressure_m' => $shortened,
            'angle_m' => $leaned,
            'total_m' => $total,
            'remaining_m' => $engagement - $total,
            'pass' => $pass,
            'verdict' => Verdict::ofPass($pass)->value,
        ];
    }
}
