<?php

declare(strict_types=1);

namespace Diastoma\Core\Sewer;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\PressureTest\ListedSize;
use Diastoma\Core\PressureTest\Outcome;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/** Air in a concrete sewer: minutes for each 100 ft, by size. */
#[Calculates(
    'sewer-air-concrete',
    'How long must the air stand in this concrete sewer?',
    Family::PressureTest,
    ['time_min', 'verdict', 'outcome', 'why'],
    'From memory: ASTM C924; every value agrees with its own formula to 0.1 min',
    verdicts: ['good', 'bad', 'open'],
    codes: ['outcome' => ['pass', 'fail', 'not-finished'], 'why' => ['visible_leak']],
)]
final class SewerAirConcrete
{
    /** in => min for each 100 ft, 3.5 to 2.5 psi (from memory: ASTM C924) */
    private const MINUTES = [4 => 0.3, 6 => 0.7, 8 => 1.2, 10 => 1.5, 12 => 1.8, 15 => 2.1, 18 => 2.4, 21 => 3.0, 24 => 3.6];

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('dn_in', Quantity::Length, above: 0)] float $dn,
        #[Measure('length_ft', Quantity::Length, above: 0)] float $length,
        #[Measure('elapsed_s', Quantity::Time, min: 0)] ?float $elapsed = null,
        #[Measure('p_drop_psi', Quantity::Pressure, min: 0, about: 'how far it fell in that time')] ?float $fell = null,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        $minutes = self::MINUTES[ListedSize::of($dn, array_keys(self::MINUTES), 'dn')] * Si::feet($length) / 100;

        return [
            'time_min' => $minutes,
            ...Outcome::answer(AirTest::outcome(60 * $minutes, Unit::PSI, $elapsed, $fell), $visibleLeak),
        ];
    }
}
