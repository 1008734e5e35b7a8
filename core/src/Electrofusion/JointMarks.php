<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** How far from the end to wash, to draw witness marks, to peel, and where the insertion mark goes. */
#[Calculates(
    'joint-marks',
    'How far do we wash, mark and peel?',
    Family::Electrofusion,
    ['wash_mm', 'witness_mm', 'peel_mm', 'insertion_mm'],
    'Common practice; margin from the procedure',
)]
final class JointMarks
{
    /** @return array<string, float> */
    public function __invoke(
        #[Measure('coupling_mm', Quantity::Length, above: 0, max: 5000)] float $coupling,
        #[Choice('kind', ['normal', 'repair', 'stop'])] string $kind,
        #[Measure('peel_margin_mm', Quantity::Length, min: 0)] float $margin,
        #[Measure('stop_depth_mm', Quantity::Length, above: 0)] ?float $stop = null,
        #[Number('wash_factor', min: 1)] float $wash = 3.0,
        #[Number('witness_factor', min: 1)] float $witness = 2.0,
    ): array {
        if ($kind === 'stop' && $stop === null) {
            throw Refused::field('stop_depth_mm', 'stop_depth_mm is missing: a coupling with a stop is marked by its depth.');
        }
        $insertion = $kind === 'stop' ? (float) $stop : $coupling / 2;

        return [
            'wash_mm' => Si::mm($wash * $coupling), 'witness_mm' => Si::mm($witness * $coupling),
            'peel_mm' => Si::mm(($kind === 'repair' ? $coupling : $insertion) + $margin), 'insertion_mm' => Si::mm($insertion),
        ];
    }
}
