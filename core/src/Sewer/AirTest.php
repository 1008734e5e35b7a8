<?php

declare(strict_types=1);

namespace Diastoma\Core\Sewer;

use Diastoma\Core\Compare;
use Diastoma\Core\PressureTest\Outcome;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Si;

/**
 * Low-pressure air in a plastic sewer: what the rule of the test time is made of.
 *
 * Air may leave through each square foot at the rate Q; lines whose inside is large may lose no more than 625 square feet do.
 */
final class AirTest
{
    /** ft³/min and ft² that may be lost (ASTM F1417). */
    public const RATE = 0.0015;

    /** s·ft³/(in·min·ft²): 60 / (48 × 14.7) rounded, as the standard has it. */
    public const TIME = 0.085;

    /** Above 625 ft² of inside the time grows by this, for each in of diameter and ft of length. */
    public const GROWTH = 0.000419;

    /** ft² */
    public const MOST_AREA = 625.0;

    /** psi, the air outside in the rule */
    public const ATMOSPHERE = 14.7;

    /** psi for each foot of groundwater above the invert, as the sewer rules take it */
    public const GROUNDWATER = 0.433;

    /** A plug larger than that is pushed by tonnes: no job for air (from memory: the table's last column), m. */
    public const LARGEST = 36 * 0.0254;

    /** psi: where the fall is timed from, and the most that may stand on the plugs (from memory). */
    public const START = 3.5;

    public const MOST_START = 9.0;

    /** @throws Refused for a pipe whose plug is no job for air */
    public static function mustBeSmall(float $dn, float $largest): void
    {
        if (! Compare::atMost($dn, $largest)) {
            throw Refused::field('dn', sprintf(
                'dn %g in is larger than %g in: the thrust on such a plug is no job for air. Test joint by joint, or with water.',
                round(Si::inches($dn), 2),
                round(Si::inches($largest), 2),
            ));
        }
    }

    /**
     * Start and end of the fall, with the groundwater's pressure added to both.
     *
     * @param  float  $groundwater  m above the invert
     * @param  float  $drop  Pa
     * @param  float  $start  Pa
     * @param  float  $mostStart  Pa
     * @return array{start_psi: float, end_psi: float}
     */
    public static function pressures(float $groundwater, float $drop, float $start, float $mostStart): array
    {
        $from = Si::psi($start) + self::GROUNDWATER * Si::feet($groundwater);
        if (! Compare::atMost($from, Si::psi($mostStart))) {
            throw Refused::field('groundwater', sprintf(
                'groundwater of %g ft wants %.2f psi to start with; more than %g psi does not go onto a plug. Test another way.',
                round(Si::feet($groundwater), 2),
                $from,
                round(Si::psi($mostStart), 2),
            ));
        }

        return ['start_psi' => $from, 'end_psi' => $from - Si::psi($drop)];
    }

    /**
     * A reading that is taken late counts as if read in time, which is the safe side. Without both there is no outcome.
     *
     * @param  float  $time  s, the least
     * @param  float  $allowed  Pa
     * @param  bool  $mayReach  before its time a fall fails when it reaches what is allowed; else when it passes it
     */
    public static function outcome(float $time, float $allowed, ?float $elapsed, ?float $drop, bool $mayReach = false): ?Outcome
    {
        if ($elapsed === null || $drop === null) {
            return null;
        }
        if (! Compare::atLeast($elapsed, $time)) {
            $isOver = $mayReach ? ! Compare::atMost($drop, $allowed) : Compare::atLeast($drop, $allowed);

            return $isOver ? Outcome::Fail : Outcome::NotFinished;
        }

        return Compare::atMost($drop, $allowed) ? Outcome::Pass : Outcome::Fail;
    }
}
