<?php

declare(strict_types=1);

namespace Diastoma\Core\Leak;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** What a hole loses of gas, as a free jet: soil round it lets less through. Choked where the gas leaves at its speed of sound. */
#[Calculates(
    'hole-leak-gas',
    'How much gas does a hole lose?',
    Family::Mechanical,
    ['mass_kg_s', 'choked', 'ratio', 'ratio_critical', 'standard_m3_s', 'standard_m3_h'],
    'Isentropic flow of an ideal gas through an orifice',
)]
final class HoleLeakGas
{
    private const GAS_CONSTANT = 8.314462618;

    /** kg/mol */
    private const AIR = 0.0289647;

    private const STANDARD_PA = 101325.0;

    private const STANDARD_K = 288.15;

    /** @return array<string, mixed> standard: 15 °C, 101325 Pa */
    public function __invoke(
        #[Measure('hole_m', Quantity::Length, above: 0)] float $hole,
        #[Measure('pressure_pa', Quantity::Pressure, min: 0, about: 'gauge')] float $pressure,
        #[Measure('temp_degc', Quantity::Temperature, above: -273.15)] float $temperature,
        #[Measure('ambient_pa', Quantity::Pressure, above: 0)] float $ambient = self::STANDARD_PA,
        #[Number('molar_mass_kg_mol', above: 0)] ?float $molarMass = null,
        #[Number('specific_gravity', above: 0, about: 'air: 1')] ?float $gravity = null,
        #[Number('k', above: 1, about: 'heat capacity ratio; methane 1.31, air 1.4')] float $k = 1.31,
        #[Number('cd', min: 0.3, max: 1)] float $cd = Orifice::SHARP,
    ): array {
        if (($molarMass === null) === ($gravity === null)) {
            throw Refused::field('molar_mass_kg_mol', 'molar_mass_kg_mol or specific_gravity is wanted: one of both.');
        }
        $molar = $molarMass ?? (float) $gravity * self::AIR;
        $absolute = $pressure + $ambient;
        $ratio = $ambient / $absolute;
        $critical = (2 / ($k + 1)) ** ($k / ($k - 1));
        $choked = $ratio <= $critical;
        $inner = $choked
            ? $k * (2 / ($k + 1)) ** (($k + 1) / ($k - 1))
            : 2 * $k / ($k - 1) * ($ratio ** (2 / $k) - $ratio ** (($k + 1) / $k));
        $specific = self::GAS_CONSTANT / $molar;
        $mass = $cd * M_PI / 4 * $hole ** 2 * $absolute * sqrt(max(0.0, $inner) / ($specific * ($temperature + 273.15)));
        $standard = $mass / (self::STANDARD_PA * $molar / (self::GAS_CONSTANT * self::STANDARD_K));

        return [
            'mass_kg_s' => $mass, 'choked' => $choked, 'ratio' => $ratio, 'ratio_critical' => $critical,
            'standard_m3_s' => $standard, 'standard_m3_h' => $standard * 3600,
        ];
    }
}
