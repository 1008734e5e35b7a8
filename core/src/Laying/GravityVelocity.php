<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/** Does the pipe clean itself? Speed at full bore by Manning, flow, and the shear at the bed. */
#[Calculates(
    'gravity-velocity',
    'Does the sewer clean itself at this fall?',
    Family::Gasketed,
    ['velocity_m_s', 'flow_m3_s', 'shear_pa', 'grade_for_min', 'pass', 'verdict'],
    'Manning, full bore; 0.6 m/s with n = 0.013: common practice',
    verdicts: ['good', 'bad', 'open'],
)]
final class GravityVelocity
{
    /** Shear at the bed, N/m³ of water: the usual round figure of 1000 kg/m³. */
    private const WATER_KG_M3 = 1000.0;

    /**
     * @return array{
     *     velocity_m_s: float, flow_m3_s: float, shear_pa: float, grade_for_min: float|null, pass: bool|null, verdict: string
     * } `grade_for_min`: rise over run at which the least speed is met
     */
    public function __invoke(
        #[Measure('bore_m', Quantity::Length, above: 0, max: 10)] float $bore,
        #[Number('grade_ratio', above: 0, max: 1, about: 'rise over run')] float $grade,
        #[Number('manning_n', min: 0.006, max: 0.03)] float $n,
        #[Measure('min_velocity_m_s', Quantity::Velocity, above: 0)] ?float $least = null,
    ): array {
        $radius = $bore / 4;
        $velocity = $radius ** (2 / 3) * sqrt($grade) / $n;
        $pass = $least === null ? null : Compare::atLeast($velocity, $least);

        return [
            'velocity_m_s' => $velocity,
            'flow_m3_s' => $velocity * M_PI * $bore ** 2 / 4,
            'shear_pa' => self::WATER_KG_M3 * Si::GRAVITY * $radius * $grade,
            'grade_for_min' => $least === null ? null : ($least * $n / $radius ** (2 / 3)) ** 2,
            'pass' => $pass,
            'verdict' => Verdict::ofPass($pass)->value,
        ];
    }
}
