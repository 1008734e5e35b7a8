<?php

declare(strict_types=1);

namespace Diastoma\Core\Gas;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;

/**
 * How far everybody keeps away from a gas test, in the open. Parts fly farther: nobody stands in line with an end at any
 * distance. An aid for planning: the licensed engineer and the local code decide.
 */
#[Calculates(
    'exclusion-distance',
    'How far does everybody keep away?',
    Family::PressureTest,
    ['tnt_kg', 'r_formula_m', 'distance_m', 'flag', 'notes'],
    'ASME PCC-2, Article 501, mandatory appendix III',
    codes: ['flag' => ['engineer-must-set'], 'notes' => StoredEnergy::NOTES],
)]
final class ExclusionDistance
{
    /** [energy up to J, distance at least m] (ASME PCC-2, Article 501) */
    private const FLOORS = [[135.5e6, 30.0], [271e6, 60.0]];

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('energy_mj', Quantity::Energy, above: 0)] float $energy,
        #[Number('r_scaled', min: 20, max: 1000, about: 'm for the cube root of a kg')] float $scaled = 20.0,
    ): array {
        $tnt = $energy / StoredEnergy::TNT;
        $formula = $scaled * (2 * $tnt) ** (1 / 3);
        $floor = null;
        foreach (self::FLOORS as [$upTo, $least]) {
            $floor ??= Compare::atMost($energy, $upTo) ? $least : null;
        }

        return [
            'tnt_kg' => $tnt, 'r_formula_m' => $formula, 'distance_m' => max($formula, $floor ?? 0.0),
            ...($floor === null ? ['flag' => 'engineer-must-set'] : []),
            'notes' => StoredEnergy::NOTES,
        ];
    }
}
