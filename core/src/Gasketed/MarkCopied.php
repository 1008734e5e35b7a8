<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * Is the new mark as far from the end as the maker's was? On a pipe that is cut here the length of the factory mark is
 * copied: the socket is as deep as ever. Both are read, so that their difference is less sure than either of them.
 */
#[Calculates(
    'mark-copied',
    'Is the new mark as far from the end as the factory mark was?',
    Family::Gasketed,
    ['difference_m', 'verdict'],
    'Common practice: a new mark has the length of the factory mark',
    verdicts: ['good', 'close', 'bad', 'open'],
)]
final class MarkCopied
{
    /** @return array{difference_m: float, verdict: string} `difference_m`: new less old, plus = farther from the end */
    public function __invoke(
        #[Measure('mark_m', Quantity::Length, above: 0, max: 2)] float $mark,
        #[Measure('factory_mark_m', Quantity::Length, above: 0, max: 2)] float $factory,
        #[Measure('tol_m', Quantity::Length, min: 0)] ?float $tolerance = null,
        #[Measure('u_m', Quantity::Length, min: 0, about: 'uncertainty of a reading, k = 2')] ?float $uncertainty = null,
    ): array {
        $off = abs($mark - $factory);
        $verdict = match (true) {
            $tolerance === null => Verdict::Open,
            ! Compare::atMost($off, $tolerance) => Verdict::Bad,
            $uncertainty === null || ! Compare::atMost($off + M_SQRT2 * $uncertainty, $tolerance) => Verdict::Close,
            default => Verdict::Good,
        };

        return ['difference_m' => $mark - $factory, 'verdict' => $verdict->value];
    }
}
