<?php

declare(strict_types=1);

namespace Diastoma\Core\Sewer;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\PressureTest\ListedSize;
use Diastoma\Core\PressureTest\Outcome;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** How long the vacuum of a manhole must stand, by its size and depth. */
#[Calculates(
    'manhole-vacuum',
    'How long must the vacuum stand in this manhole?',
    Family::PressureTest,
    ['time_s', 'verdict', 'outcome', 'why'],
    'From memory: ASTM C1244',
    verdicts: ['good', 'bad', 'open'],
    codes: ['outcome' => ['pass', 'fail', 'not-finished'], 'why' => ['visible_leak']],
)]
final class ManholeVacuum
{
    /** in => s by depth 8, 10, … 30 ft (from memory: ASTM C1244) */
    private const SECONDS = [
        30 => [11, 14, 17, 20, 22, 25, 28, 31, 33, 36, 39, 42], 42 => [17, 21, 25, 30, 34, 38, 42, 46, 51, 55, 59, 63],
        48 => [20, 25, 30, 35, 40, 45, 50, 55, 59, 64, 69, 74], 60 => [26, 33, 39, 46, 52, 59, 65, 72, 78, 85, 91, 98],
        72 => [33, 41, 49, 57, 67, 73, 81, 89, 97, 105, 113, 121],
    ];

    private const SHALLOWEST_FT = 8;

    private const DEEPEST_FT = 30;

    private const ROWS_FT = 2;

    /** Pa: 1 inHg may be lost of the 10 that are drawn. */
    private const MAY_FALL = 3386.388640341;

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('dn_in', Quantity::Length, above: 0)] float $dn,
        #[Measure('depth_ft', Quantity::Length, above: 0)] float $depth,
        #[Measure('p_drop_inhg', Quantity::Pressure, min: 0, about: 'how far the vacuum fell')] ?float $fell = null,
        #[Measure('elapsed_s', Quantity::Time, min: 0)] ?float $elapsed = null,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        $size = ListedSize::of($dn, array_keys(self::SECONDS), 'dn');
        $feet = Si::feet($depth);
        if (! Compare::atMost($feet, self::DEEPEST_FT)) {
            throw Refused::field('depth', sprintf('depth is %g ft; the table ends at %d ft.', round($feet, 2), self::DEEPEST_FT));
        }
        // Between two rows the deeper one holds.
        $row = (int) max(0, ceil(($feet - self::SHALLOWEST_FT) / self::ROWS_FT - 1e-9));
        $time = (float) self::SECONDS[$size][$row];

        return ['time_s' => $time, ...Outcome::answer(AirTest::outcome($time, self::MAY_FALL, $elapsed, $fell, true), $visibleLeak)];
    }
}
