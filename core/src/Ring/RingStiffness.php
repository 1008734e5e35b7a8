<?php

declare(strict_types=1);

namespace Diastoma\Core\Ring;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * How stiff the ring of a pipe is, in the words of two schools: nominal stiffness by the cube of the diameter, pipe stiffness by
 * the parallel plates. Printed classes are rounded: a class is kept as printed, never converted.
 */
#[Calculates(
    'ring-stiffness',
    'How stiff is the ring of the pipe?',
    Family::Gasketed,
    ['sn_pa', 'ps_pa', 'ei_r3_pa'],
    'ISO 9969 and ASTM D2412 by their definitions; solid wall: mechanics of the ring',
)]
final class RingStiffness
{
    /** ASTM D2412: F/Δy = EI/(0.149 r³). */
    private const PLATES = 0.149;

    /** @return array{sn_pa: float, ps_pa: float, ei_r3_pa: float} */
    public function __invoke(
        #[Measure('e_pa', Quantity::Pressure, above: 0, about: 'modulus of the wall')] ?float $e = null,
        #[Measure('sn_pa', Quantity::Pressure, above: 0, about: 'EI over the cube of the diameter')] ?float $nominal = null,
        #[Measure('ps_pa', Quantity::Pressure, above: 0, about: 'between parallel plates')] ?float $plates = null,
        #[Number('sdr', above: 2, max: 100, about: 'outside diameter by wall')] ?float $sdr = null,
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] ?float $od = null,
        #[Measure('wall_m', Quantity::Length, above: 0)] ?float $wall = null,
    ): array {
        if (\count(array_filter([$e, $nominal, $plates], fn (?float $given): bool => $given !== null)) !== 1) {
            throw Refused::field('e_pa|sn_pa|ps_pa', 'Give one of e_pa, sn_pa and ps_pa: the other two follow from it.');
        }
        $ei = match (true) {
            $nominal !== null => 8 * $nominal,
            $plates !== null => self::PLATES * $plates,
            default => 8 * $e / (12 * ($this->sdr($sdr, $od, $wall) - 1) ** 3),
        };

        return ['sn_pa' => $ei / 8, 'ps_pa' => $ei / self::PLATES, 'ei_r3_pa' => $ei];
    }

    private function sdr(?float $sdr, ?float $od, ?float $wall): float
    {
        if (($sdr === null) === ($od === null && $wall === null)) {
            throw Refused::field('sdr|od_m', 'With e_pa give sdr, or od_m with wall_m: one of the two ways.');
        }
        if ($sdr !== null) {
            return $sdr;
        }
        if ($od === null || $wall === null) {
            $missing = $od === null ? 'od_m' : 'wall_m';
            throw Refused::field($missing, "{$missing} is missing: the ring is known by diameter and wall.");
        }
        if ($wall >= $od / 2) {
            throw Refused::field('wall_m', "wall_m {$wall} m leaves no bore in a pipe of {$od} m.");
        }

        return $od / $wall;
    }
}
