<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Where the second cut of a telescoping repair piece goes: at the face of the collapsed piece, or beyond it as far as the stroke lets. */
#[Calculates(
    'telescoping-cut',
    'Where is the second cut made?',
    Family::Mechanical,
    ['stroke_m', 'pipe_gap_m', 'extension_m', 'dev_max_m', 'reasons', 'notes', 'verdict'],
    'Geometry',
    verdicts: ['good', 'bad'],
    codes: ['reasons' => ['cut-short-of-face', 'stroke-short', 'piece-too-short']],
)]
final class TelescopingCut
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('collapsed_m', Quantity::Length, above: 0, about: 'face to face')] float $collapsed,
        #[Measure('extended_m', Quantity::Length, above: 0, about: 'face to face')] float $extended,
        #[Measure('insertion1_m', Quantity::Length, above: 0)] float $insertion1,
        #[Measure('insertion2_m', Quantity::Length, above: 0)] float $insertion2,
        #[Measure('reserve_m', Quantity::Length, min: 0, about: 'travel kept for soil and heat')] float $reserve,
        #[Measure('cut_dev_m', Quantity::Length, about: 'beyond the face mark; minus = before it')] float $deviation,
    ): array {
        if ($extended <= $collapsed) {
            throw Refused::field('extended_m', "extended_m is {$extended} m, not more than collapsed_m, {$collapsed} m.");
        }
        $stroke = $extended - $collapsed;
        $most = $stroke - $insertion2 - $reserve;
        $found = new Findings;
        Compare::atLeast($deviation, 0.0) || $found->bad('cut-short-of-face');
        Compare::atMost($deviation, $most) || $found->bad('stroke-short');
        Compare::atLeast($most, 0.0) || $found->bad('piece-too-short');

        return [
            'stroke_m' => $stroke,
            'pipe_gap_m' => $collapsed - $insertion1 + $deviation,
            'extension_m' => $insertion2 + $deviation,
            'dev_max_m' => $most,
        ] + $found->toArray();
    }
}
