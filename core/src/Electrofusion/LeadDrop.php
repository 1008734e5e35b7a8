<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * May this extension lead be used, and how long may it be? The box draws constant power, so the current rises as the
 * voltage falls; when no voltage carries the power, the supply collapses. Only the supply lead may be lengthened.
 */
#[Calculates(
    'lead-drop',
    'May this extension lead be used?',
    Family::Electrofusion,
    ['loop_ohm', 'current_a', 'drop_simple_v', 'load_v', 'drop_v', 'drop_pct', 'loss_w', 'collapse', 'length_max_m', 'verdict'],
    'Circuit at constant power; copper by IEC 60028, 1/58 Ω·mm²/m at 20 °C and 0.00393 per K; flexible leads by IEC 60228',
    verdicts: ['good', 'bad', 'open'],
    codes: ['collapse' => ['1']],
)]
final class LeadDrop
{
    private const COPPER_PER_K = 0.00393;

    private const COPPER_M_PER_OHM_MM2 = 58;

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('supply_v', Quantity::Voltage, min: 50, max: 500)] float $supply,
        #[Measure('load_w', Quantity::Power, above: 0, about: 'what the box takes in')] float $load,
        #[Measure('length_m', Quantity::Length, above: 0, max: 2000, about: 'one way')] float $length,
        #[Number('power_factor', min: 0.3, max: 1)] float $powerFactor = 1.0,
        #[Number('ohm_per_km_20c', above: 0, max: 200)] ?float $ohmPerKm = null,
        #[Number('area_mm2', above: 0, max: 500)] ?float $area = null,
        #[Measure('conductor_c', Quantity::Temperature, min: -40, max: 120)] float $conductor = 20.0,
        #[Number('limit_pct', above: 0, below: 100)] ?float $limit = null,
    ): array {
        if (($ohmPerKm === null) === ($area === null)) {
            throw Refused::field(
                'area_mm2',
                $area === null
                    ? 'area_mm2 is missing: give the cross-section of the lead, or its ohm_per_km_20c.'
                    : 'area_mm2 and ohm_per_km_20c came together; give one.',
            );
        }
        $perMetre =
            (($ohmPerKm ?? 1000 / (self::COPPER_M_PER_OHM_MM2 * (float) $area)) / 1000) * (1 + self::COPPER_PER_K * ($conductor - 20));
        $loop = 2 * $length * $perMetre;
        $simple = $load / ($supply * $powerFactor);
        $voltage = self::voltageAtLoad($supply, $load, $powerFactor, $loop);
        $drop = $voltage === null ? null : $supply - $voltage;
        $share = $drop === null ? null : 100 * $drop / $supply;

        return [
            'loop_ohm' => $loop, 'current_a' => $simple, 'drop_simple_v' => $simple * $loop,
            'load_v' => $voltage, 'drop_v' => $drop, 'drop_pct' => $share,
            'loss_w' => $voltage === null ? null : ($load / ($voltage * $powerFactor)) ** 2 * $loop,
            'collapse' => $voltage === null,
            'length_max_m' => $limit === null ? null : self::longest($supply, $load, $powerFactor, $limit) / (2 * $perMetre),
            'verdict' => (match (true) {
                $voltage === null => Verdict::Bad,
                $limit === null => Verdict::Open,
                default => Compare::atMost((float) $share, $limit) ? Verdict::Good : Verdict::Bad,
            })->value,
        ];
    }

    /** The higher root of V⁴ - (Vs² - 2PR) V² + (PR/pf)² = 0, V; null when the lead cannot carry the power. */
    private static function voltageAtLoad(float $supply, float $load, float $powerFactor, float $loop): ?float
    {
        $half = ($supply ** 2 - 2 * $load * $loop) / 2;
        $root = $half ** 2 - ($load * $loop / $powerFactor) ** 2;

        return $half <= 0 || $root < 0 ? null : sqrt($half + sqrt($root));
    }

    /** Loop resistance at which the drop just reaches its limit, Ω. */
    private static function longest(float $supply, float $load, float $powerFactor, float $limit): float
    {
        $voltage = $supply * (1 - $limit / 100);
        $q = ($powerFactor * $voltage) ** 2;

        return $q * (sqrt(1 + ($supply ** 2 - $voltage ** 2) / $q) - 1) / $load;
    }
}
