<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * Whether a joint needs restraint or blocks before the test: even a bolted coupling holds no end unless its label says so. Rods
 * across a joint carry the straight pull, whatever the bend.
 */
#[Calculates(
    'pull-out-thrust',
    'What pulls the joint apart, and what holds it?',
    Family::Mechanical,
    ['thrust_n', 'rod_load_n', 'rod_stress_pa', 'reasons', 'notes', 'verdict'],
    'Statics',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['thrust-high', 'rod-overstressed', 'no-limit:*']],
)]
final class PullOutThrust
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('od_m', Quantity::Length, above: 0, about: 'diameter at which it seals')] float $od,
        #[Measure('pressure_pa', Quantity::Pressure, min: 0, about: 'of the test')] float $pressure,
        #[Number('bend_deg', min: 0, max: 180, about: '0: straight end, closed valve or cap')] float $bend,
        #[Measure('restraint_n', Quantity::Force, min: 0, about: '0: none')] ?float $restraint = null,
        #[Number('tie_rods', min: 1, whole: true)] ?float $rods = null,
        #[Number('rod_area_m2', above: 0, about: 'each')] ?float $rodArea = null,
        #[Measure('rod_allow_pa', Quantity::Pressure, above: 0)] ?float $rodAllowed = null,
    ): array {
        $pull = $pressure * M_PI / 4 * $od ** 2;
        $thrust = $bend == 0.0 ? $pull : 2 * $pull * sin(deg2rad($bend) / 2);
        $given = array_filter([$rods, $rodArea, $rodAllowed], fn (?float $x) => $x !== null);
        if ($given !== [] && \count($given) < 3) {
            $key = $rods === null ? 'tie_rods' : ($rodArea === null ? 'rod_area_m2' : 'rod_allow_pa');
            throw Refused::field($key, "{$key} is missing: of rods their number, area and allowed stress go together.");
        }
        $load = $rods === null ? null : $pull / $rods;
        $stress = $load === null || $rodArea === null ? null : $load / $rodArea;
        $found = new Findings;
        // A straight end may be held by its rods alone.
        if ($restraint !== null || $stress === null || $bend != 0.0) {
            $found->atLeast($restraint, $restraint === null ? null : $thrust, 'restraint_n', 'thrust-high');
        }
        if ($stress !== null) {
            $found->atMost($stress, $rodAllowed, 'rod_allow_pa', 'rod-overstressed');
        }

        return ['thrust_n' => $thrust, 'rod_load_n' => $load, 'rod_stress_pa' => $stress] + $found->toArray();
    }
}
