<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/** The pressure that the lowest point of the section must see. */
#[Calculates(
    'system-test-pressure',
    'What pressure must the lowest point see?',
    Family::PressureTest,
    ['stp_kpa', 'stp_psi', 'min_psi', 'max_psi', 'min_kpa', 'max_kpa', 'feasible', 'temperature_ok'],
    'EN 805:2000, 11.3.2; NFPA 24 (from memory); 49 CFR 192.513; factors of the procedure',
)]
final class SystemTestPressure
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Choice('method', ['en805-surge-calculated', 'en805-surge-assumed', 'nfpa24', 'factor', 'composite-line', 'cfr192-513'])]
        string $method,
        #[Measure('mdp_bar', Quantity::Pressure, above: 0)] ?float $mdp = null,
        #[Measure('dp_bar', Quantity::Pressure, above: 0)] ?float $design = null,
        #[Measure('working_psi', Quantity::Pressure, above: 0)] ?float $working = null,
        #[Number('factor')] ?float $factor = null,
        #[Measure('base_bar', Quantity::Pressure, above: 0)] ?float $base = null,
        #[Measure('cap_bar', Quantity::Pressure, above: 0)] ?float $cap = null,
        #[Measure('rated_psi', Quantity::Pressure, above: 0)] ?float $rated = null,
        #[Measure('maop_psi', Quantity::Pressure, above: 0)] ?float $maop = null,
        #[Measure('design_psi', Quantity::Pressure, above: 0)] ?float $designPressure = null,
        #[Number('max_factor', above: 1)] float $maxFactor = 2.5,
        #[Measure('t_pipe_degc', Quantity::Temperature)] ?float $pipeTemperature = null,
        #[Measure('t_limit_degf', Quantity::Temperature)] float $limitTemperature = (100 - 32) / 1.8,
    ): array {
        if ($method === 'cfr192-513') {
            $maop = self::wanted('maop', $maop);
            $designPressure = self::wanted('design', $designPressure);
            $min = max(1.5 * $maop, 50 * Unit::PSI);
            $max = $maxFactor * $designPressure;
            $cool = $pipeTemperature === null ? null : Compare::atMost($pipeTemperature, $limitTemperature);

            return [
                'min_psi' => Si::psi($min), 'max_psi' => Si::psi($max), 'min_kpa' => Si::kpa($min), 'max_kpa' => Si::kpa($max),
                'feasible' => Compare::atMost($min, $max) && $cool !== false, 'temperature_ok' => $cool,
            ];
        }
        $stp = match ($method) {
            'en805-surge-calculated' => self::wanted('mdp', $mdp) + 1e5,
            'en805-surge-assumed' => $this->assumedSurge(self::wanted('mdp', $mdp), $design),
            'nfpa24' => max(200 * Unit::PSI, self::wanted('working', $working) + 50 * Unit::PSI),
            'factor' => min(self::within('factor', $factor, 1, 3) * self::wanted('base', $base), $cap ?? INF),
            default => self::within('factor', $factor, 1.2, 1.5) * self::wanted('rated', $rated),
        };

        return ['stp_kpa' => Si::kpa($stp), 'stp_psi' => Si::psi($stp)];
    }

    private function assumedSurge(float $mdp, ?float $design): float
    {
        if ($design !== null && ! Compare::atLeast($mdp - $design, 2e5)) {
            throw Refused::field(
                'mdp',
                sprintf('mdp %g bar must lie at least 2 bar above dp %g bar when the surge is assumed.', Si::bar($mdp), Si::bar($design)),
            );
        }

        return min(1.5 * $mdp, $mdp + 5e5);
    }

    private static function wanted(string $field, ?float $value): float
    {
        return $value ?? throw Refused::field($field, "{$field} is missing: this method needs it.");
    }

    private static function within(string $field, ?float $value, float $min, float $max): float
    {
        $value = self::wanted($field, $value);
        if ($value < $min - 1e-9 || $value > $max + 1e-9) {
            throw Refused::field($field, "{$field} is {$value}; allowed is {$min} to {$max}.");
        }

        return $value;
    }
}
