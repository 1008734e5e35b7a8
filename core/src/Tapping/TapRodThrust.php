<?php

declare(strict_types=1);

namespace Diastoma\Core\Tapping;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Findings;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;

/** What throws the tapping rod up, and whether a hand can hold it. At no pressure it is treated as flying all the same. */
#[Calculates(
    'tap-rod-thrust',
    'What throws the tapping rod up?',
    Family::Mechanical,
    ['force_n', 'force_lbf', 'reasons', 'notes', 'verdict'],
    'Statics',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['rod-force-high', 'no-limit:*']],
)]
final class TapRodThrust
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('rod_m', Quantity::Length, above: 0, about: 'its diameter in the packing')] float $rod,
        #[Measure('pressure_pa', Quantity::Pressure, min: 0)] float $pressure,
        #[Measure('hold_max_n', Quantity::Force, min: 0)] ?float $most = null,
    ): array {
        $force = $pressure * M_PI / 4 * $rod ** 2;
        $found = new Findings;
        $found->atMost($force, $most, 'hold_max_n', 'rod-force-high');

        return ['force_n' => $force, 'force_lbf' => $force / Unit::POUND_FORCE] + $found->toArray();
    }
}
