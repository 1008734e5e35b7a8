<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * Cut length of the last piece: the gap moves with the free string's temperature until the tie-in, and the piece is cut
 * at its own. A colder tie-in draws the ends back, so the gap grows.
 */
#[Calculates(
    'electrofusion-closing-piece',
    'How long is the last piece cut?',
    Family::Electrofusion,
    ['gap_at_tie_mm', 'cut_length_mm', 'insertion_each_mm', 'min_piece_mm', 'verdict'],
    'Thermal expansion; alpha from the procedure (the schools differ by a third)',
    verdicts: ['good', 'bad', 'open'],
)]
final class ClosingPiece
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('gap_mm', Quantity::Length, above: 0, about: 'between the fixed ends, as measured')] float $gap,
        #[Measure('end_clearance_mm', Quantity::Length, min: 0, about: 'wanted between the pipe ends in each coupling')] float $clearance,
        #[Measure('t_measure_c', Quantity::Temperature, min: -40, max: 80)] float $tMeasure,
        #[Measure('t_tie_c', Quantity::Temperature, min: -40, max: 80)] float $tTie,
        #[Measure('t_piece_c', Quantity::Temperature, min: -40, max: 80)] ?float $tPiece = null,
        #[Measure('free_string_mm', Quantity::Length, min: 0, about: 'length on both sides that is free to move')] float $free = 0.0,
        #[Measure('alpha_per_k', Quantity::Expansion, above: 0, max: 0.001)] float $alpha = 1.8e-4,
        #[Measure('coupling_mm', Quantity::Length, above: 0, max: 5000)] ?float $coupling = null,
        #[Measure('peel_margin_mm', Quantity::Length, min: 0)] ?float $margin = null,
        #[Choice('slide_on', ['piece', 'main'], about: 'where the couplings wait while the piece goes in')] string $slideOn = 'piece',
    ): array {
        $gapAtTie = $gap - $alpha * $free * ($tTie - $tMeasure);
        $cut = ($gapAtTie - 2 * $clearance) / (1 + $alpha * ($tTie - ($tPiece ?? $tMeasure)));
        if ($cut <= 0) {
            throw Refused::field(
                'gap_mm',
                sprintf(
                    'gap_mm: %g mm at the tie-in leaves no room for a piece with %g mm at each end.',
                    round(Si::mm($gapAtTie), 1),
                    Si::mm($clearance),
                ),
            );
        }
        $least = match (true) {
            $slideOn === 'main' => 0.0,
            $coupling === null || $margin === null => null,
            default => 2 * ($coupling + $margin),
        };

        return [
            'gap_at_tie_mm' => Si::mm($gapAtTie), 'cut_length_mm' => Si::mm($cut),
            'insertion_each_mm' => $coupling === null ? null : Si::mm(($coupling - $clearance) / 2),
            'min_piece_mm' => $least === null ? null : Si::mm($least),
            'verdict' => ($least === null ? Verdict::Open : (Compare::atLeast($cut, $least) ? Verdict::Good : Verdict::Bad))->value,
        ];
    }
}
