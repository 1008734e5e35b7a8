<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/** Water that older practice allowed polyethylene to take after its expansion, by a table. */
#[Calculates(
    'pe-makeup-table',
    'Is the make-up water of this polyethylene line within the table?',
    Family::PressureTest,
    ['allow_gal', 'allow_l', 'verdict', 'outcome', 'why'],
    'From memory: figures of industry handbooks',
    verdicts: ['good', 'bad'],
    codes: ['outcome' => ['pass', 'fail'], 'why' => ['visible_leak']],
)]
final class PeMakeupTable
{
    /** in => US gal per 100 ft after phases of 1, 2, 3 h (from memory: industry handbooks) */
    private const ALLOWED = [
        4 => [0.13, 0.25, 0.40], 6 => [0.30, 0.60, 0.90], 8 => [0.50, 1.0, 1.5], 12 => [1.1, 2.3, 3.4], 16 => [1.7, 3.3, 5.0],
        20 => [2.8, 5.5, 8.0], 24 => [4.5, 8.9, 13.3],
    ];

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('dn_in', Quantity::Length, above: 0)] float $dn,
        #[Number('hours', min: 1, max: 3, whole: true)] float $hours,
        #[Measure('length_ft', Quantity::Length, above: 0)] float $length,
        #[Measure('measured_gal', Quantity::Volume, min: 0)] ?float $measured = null,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        $row = ListedSize::of($dn, array_keys(self::ALLOWED), 'dn');
        $allowed = self::ALLOWED[$row][(int) $hours - 1] * Si::feet($length) / 100 * Unit::US_GALLON;
        $outcome = $measured === null ? null : (Compare::atMost($measured, $allowed) ? Outcome::Pass : Outcome::Fail);

        return [
            'allow_gal' => Si::usGallons($allowed), 'allow_l' => Si::litres($allowed), ...Outcome::answer($outcome, $visibleLeak),
        ];
    }
}
