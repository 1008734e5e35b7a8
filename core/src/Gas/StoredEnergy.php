<?php

declare(strict_types=1);

namespace Diastoma\Core\Gas;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/**
 * Energy that gas under pressure stores, and how many times that of the same test with water. An aid for planning: the
 * licensed engineer and the local code decide.
 */
#[Calculates(
    'stored-energy',
    'How much energy does the gas store?',
    Family::PressureTest,
    ['energy_mj', 'tnt_kg', 'water_energy_kj', 'ratio', 'notes'],
    'ASME PCC-2, Article 501, mandatory appendix II; Baker; Brode; isothermal expansion',
    codes: ['notes' => ['planning-aid', 'in-line-with-ends']],
)]
final class StoredEnergy
{
    /** J/kg (ASME PCC-2, Article 501) */
    public const TNT = 4266920.0;

    /** Exponent for air, as the code prints it. */
    private const EXPONENT = 0.286;

    /** What stands beside every figure of this kind. */
    public const NOTES = ['planning-aid', 'in-line-with-ends'];

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('volume_m3', Quantity::Volume, above: 0, about: 'of the whole section')] float $volume,
        #[Measure('p_test_bar', Quantity::Pressure, above: 0, about: 'gauge')] float $test,
        #[Choice('method', ['pcc2', 'isentropic', 'brode', 'isothermal'])] string $method = 'pcc2',
        #[Measure('p_atm_abs_kpa', Quantity::Pressure, min: 50, max: 110)] float $atmosphere = 101000.0,
        #[Number('gamma', min: 1.05, max: 1.67)] float $gamma = 1.4,
        #[Measure('compliance_l_per_bar', Quantity::Compliance, above: 0, about: 'of the section full of water')]
        ?float $compliance = null,
    ): array {
        $absolute = $test + $atmosphere;
        $energy = $volume * match ($method) {
            'pcc2' => 2.5 * $absolute * (1 - ($atmosphere / $absolute) ** self::EXPONENT),
            'isentropic' => $absolute / ($gamma - 1) * (1 - ($atmosphere / $absolute) ** (($gamma - 1) / $gamma)),
            'brode' => $test / ($gamma - 1),
            default => $absolute * log($absolute / $atmosphere),
        };
        $water = $compliance === null ? null : $compliance * $test ** 2 / 2;

        return [
            'energy_mj' => $energy / 1e6,
            'tnt_kg' => $energy / self::TNT,
            ...($water === null ? [] : ['water_energy_kj' => $water / 1000, 'ratio' => $energy / $water]),
            'notes' => self::NOTES,
        ];
    }
}
