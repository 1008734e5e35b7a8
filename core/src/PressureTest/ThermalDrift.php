<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Pressure change of a shut section when water and pipe change temperature alike. */
#[Calculates(
    'thermal-drift',
    'Is the change of pressure just the weather?',
    Family::PressureTest,
    ['dp_kpa', 'slope_kpa_per_k'],
    'Mechanics; Kell 1975',
)]
final class ThermalDrift
{
    /** @return array<string, float> */
    public function __invoke(
        #[Measure('id_mm', Quantity::Length, above: 0)] float $bore,
        #[Measure('wall_mm', Quantity::Length)] float $wall,
        #[Measure('e_mod_gpa', Quantity::Pressure, min: 0.01, max: 1000)] float $modulus,
        #[Measure('alpha_per_k', Quantity::Expansion, min: 0, max: 5e-4)] float $alpha,
        #[Measure('t_start_degc', Quantity::Temperature, min: 0, max: 60)] float $from,
        #[Measure('t_end_degc', Quantity::Temperature, min: 0, max: 60)] float $to,
        #[Number('nu', min: 0, max: 0.5)] float $nu = 0.3,
        #[Choice('restraint', ['anchored', 'jointed', 'free'])] string $restraint = 'jointed',
    ): array {
        $pipe = new Segment(1.0, $bore, $wall, $modulus, $nu, $restraint);
        $mean = ($from + $to) / 2;
        $give = 1 / Water::bulkModulus($mean) + $pipe->swelling();
        $lengthening = self::roomPerAlpha($restraint, $nu) * $alpha;
        $dp = (Water::density($from) / Water::density($to) - 1 - $lengthening * ($to - $from)) / $give;

        return ['dp_kpa' => Si::kpa($dp), 'slope_kpa_per_k' => Si::kpa((Water::expansion($mean) - $lengthening) / $give)];
    }

    /** ca: how much room the pipe's own expansion makes. */
    public static function roomPerAlpha(string $restraint, float $nu): float
    {
        return match ($restraint) {
            'anchored' => 2 * (1 + $nu), 'free' => 3.0, default => 2.0,
        };
    }
}
