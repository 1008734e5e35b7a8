<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** How far to wash and how large a patch to peel for a saddle: along the pipe and round it. */
#[Calculates(
    'saddle-prep',
    'How large a patch is washed and peeled for the saddle?',
    Family::Electrofusion,
    ['wash_mm', 'peel_length_mm', 'peel_arc_mm'],
    'Common practice; margin from the procedure, footprint from the fitting',
)]
final class SaddlePrep
{
    /** @return array<string, float> */
    public function __invoke(
        #[Measure('saddle_width_mm', Quantity::Length, above: 0, max: 2000, about: 'along the pipe')] float $width,
        #[Measure('od_mm', Quantity::Length, above: 0, max: 3000)] float $od,
        #[Number('cover_deg', above: 0, max: 360, about: 'how far the saddle reaches round the pipe')] float $cover,
        #[Measure('margin_mm', Quantity::Length, min: 0)] float $margin,
        #[Number('wash_factor', min: 1)] float $wash = 3.0,
    ): array {
        return [
            'wash_mm' => Si::mm($wash * $width), 'peel_length_mm' => Si::mm($width + 2 * $margin),
            'peel_arc_mm' => Si::mm(min(M_PI * $od * $cover / 360 + 2 * $margin, M_PI * $od)),
        ];
    }
}
