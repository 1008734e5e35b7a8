<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Between which diameters a pipe is peeled enough and not too much: it loses the depth of the peel on both sides. */
#[Calculates(
    'peel-target',
    'What will the diameter be once it is peeled?',
    Family::Electrofusion,
    ['od_after_max_mm', 'od_after_min_mm'],
    'Geometry: twice the depth off the diameter; the depths are those of the procedure',
)]
final class PeelTarget
{
    /** @return array{od_after_max_mm: float, od_after_min_mm: float} */
    public function __invoke(
        #[Measure('od_before_mm', Quantity::Length, above: 0)] float $before,
        #[Measure('min_mm', Quantity::Length, min: 0)] float $min,
        #[Measure('max_mm', Quantity::Length, min: 0)] float $max,
        #[Choice('tool', ['rotary', 'hand'])] string $tool = 'rotary',
        #[Measure('hand_min_mm', Quantity::Length, min: 0.17, max: 0.5, about: 'least depth by hand, whatever the label says')]
        float $handMin = ScrapeDepth::HAND_MIN_M,
    ): array {
        $min = ScrapeDepth::least($min, $tool, $handMin) ?? $min;
        if ($max < $min) {
            throw Refused::field('max_mm', sprintf('max_mm %g is below min_mm %g.', Si::mm($max), Si::mm($min)));
        }
        if (2 * $max >= $before) {
            throw Refused::field('max_mm', sprintf('max_mm %g takes off all of a pipe of %g mm.', Si::mm($max), Si::mm($before)));
        }

        return ['od_after_max_mm' => Si::mm($before - 2 * $min), 'od_after_min_mm' => Si::mm($before - 2 * $max)];
    }
}
