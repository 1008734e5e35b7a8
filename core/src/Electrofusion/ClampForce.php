<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * Force with which the bolts of a saddle's clamp press: the shorthand F = n T/(K d), good to about 30 %. Held against
 * the prescribed torque where that is given.
 */
#[Calculates(
    'clamp-force',
    'How hard do the bolts of the clamp press?',
    Family::Electrofusion,
    ['force_n', 'off_pct', 'verdict'],
    'Shorthand of bolting; K about 0.2 dry, 0.15 oiled (common practice). The prescribed force is the maker\'s',
    verdicts: ['good', 'bad', 'open'],
)]
final class ClampForce
{
    /** @return array{force_n: float, off_pct: float|null, verdict: string} */
    public function __invoke(
        #[Measure('torque_nm', Quantity::Torque, above: 0)] float $torque,
        #[Measure('bolt_mm', Quantity::Length, above: 0, max: 100)] float $bolt,
        #[Number('k_factor', min: 0.05, max: 0.5)] float $k,
        #[Number('bolts', min: 1, max: 200, whole: true)] float $bolts,
        #[Measure('wanted_nm', Quantity::Torque, above: 0, about: 'torque that the maker prescribes')] ?float $wanted = null,
        #[Number('tol_pct', min: 0, max: 100)] ?float $tolerance = null,
    ): array {
        $off = $wanted === null ? null : 100 * ($torque - $wanted) / $wanted;

        return [
            'force_n' => ($bolts * $torque) / ($k * $bolt),
            'off_pct' => $off,
            'verdict' => ($off === null || $tolerance === null
                ? Verdict::Open
                : (Compare::atMost(abs($off), $tolerance)
                    ? Verdict::Good
                    : Verdict::Bad)
            )->value,
        ];
    }
}
