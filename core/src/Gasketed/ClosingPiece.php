<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** How long the last piece is cut: the clear distance and both insertions, less the room to move at both ends. */
#[Calculates(
    'gasketed-closing-piece',
    'How long is the closing piece cut?',
    Family::Gasketed,
    ['cut_length_m', 'pass', 'verdict'],
    'Arithmetic; measured while the string is at its coolest',
    verdicts: ['good', 'bad', 'open'],
)]
final class ClosingPiece
{
    /** @return array{cut_length_m: float, pass: bool|null, verdict: string} */
    public function __invoke(
        #[Measure('clear_m', Quantity::Length, above: 0, about: 'between the two faces')] float $clear,
        #[Measure('depth_a_m', Quantity::Length, min: 0)] float $depthA,
        #[Measure('depth_b_m', Quantity::Length, min: 0)] float $depthB,
        #[Measure('gap_a_m', Quantity::Length, min: 0)] float $gapA,
        #[Measure('gap_b_m', Quantity::Length, min: 0)] float $gapB,
        #[Measure('min_piece_m', Quantity::Length, above: 0)] ?float $least = null,
    ): array {
        foreach (['a' => [$gapA, $depthA], 'b' => [$gapB, $depthB]] as $end => [$gap, $depth]) {
            if ($gap > $depth) {
                throw Refused::field("gap_{$end}_m", "gap_{$end}_m is {$gap} m; the spigot goes in {$depth} m only.");
            }
        }
        $cut = $clear + $depthA + $depthB - $gapA - $gapB;
        $pass = $least === null ? null : Compare::atLeast($cut, $least);

        return ['cut_length_m' => $cut, 'pass' => $pass, 'verdict' => Verdict::ofPass($pass)->value];
    }
}
