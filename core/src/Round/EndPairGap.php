<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Two slanting ends meet: how much wider the gap is on one side, and how the second pipe is turned to make it least. */
#[Calculates(
    'end-pair-gap',
    'What gap do two slanting ends leave?',
    Family::Measuring,
    ['gap_difference_mm', 'widest_deg', 'angle_deg', 'best_turn_deg', 'least_mm', 'most_mm'],
    'Geometry: the first harmonics of both ends add as vectors in one view',
)]
final class EndPairGap
{
    /** Gaps below this are none, m: what rounding leaves over. */
    private const NOTHING_M = 1e-12;

    /** @return array<string, float|null> `best_turn_deg`: turn pipe b clockwise by it, seen along the laying direction */
    public function __invoke(
        #[Measure('a_mm', Quantity::Length, min: 0, about: 'amplitude of the first end: half of its out of square')] float $a,
        #[Number('a_deg', min: 0, below: 360, about: 'direction of its greatest shortfall')] float $aAt,
        #[Measure('b_mm', Quantity::Length, min: 0)] float $b,
        #[Number('b_deg', min: 0, below: 360)] float $bAt,
        #[Choice('b_view', ['forward', 'reverse'], about: 'reverse: read while facing it')] string $view = 'forward',
        #[Measure('od_mm', Quantity::Length, above: 0)] ?float $od = null,
    ): array {
        $second = $view === 'reverse' ? fmod(360 - $bAt, 360) : $bAt;
        $up = $a * cos(deg2rad($aAt)) + $b * cos(deg2rad($second));
        $right = $a * sin(deg2rad($aAt)) + $b * sin(deg2rad($second));
        $gap = 2 * hypot($up, $right);
        $isEven = $gap < self::NOTHING_M;

        return [
            'gap_difference_mm' => Si::mm($gap),
            'widest_deg' => $isEven ? null : fmod(rad2deg(atan2($right, $up)) + 360, 360),
            'angle_deg' => $od === null ? null : rad2deg(atan($gap / $od)),
            'best_turn_deg' => $a > 0 && $b > 0 ? fmod($aAt + 180 - $second + 720, 360) : null,
            'least_mm' => Si::mm(2 * abs($a - $b)),
            'most_mm' => Si::mm(2 * ($a + $b)),
        ];
    }
}
