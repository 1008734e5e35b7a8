<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Whether the plain end lies deep enough in a flange adaptor, yet clear of the flange. */
#[Calculates(
    'flange-adaptor-set',
    'Does the plain end sit right in the flange adaptor?',
    Family::Mechanical,
    ['insertion_m', 'reasons', 'notes', 'verdict'],
    'Geometry; limits of the label',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['insertion-short', 'insertion-over', 'gap-low', 'gap-high', 'no-limit:*']],
)]
final class FlangeAdaptorSet
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('body_length_m', Quantity::Length, above: 0, about: 'back end to its raised face')] float $body,
        #[Measure('setting_gap_m', Quantity::Length, min: 0, about: 'pipe end to the other raised face')] float $gap,
        #[Measure('min_insertion_m', Quantity::Length, min: 0)] ?float $least = null,
        #[Measure('max_insertion_m', Quantity::Length, min: 0)] ?float $most = null,
        #[Measure('gap_min_m', Quantity::Length, min: 0)] ?float $gapLeast = null,
        #[Measure('gap_max_m', Quantity::Length, min: 0)] ?float $gapMost = null,
    ): array {
        Limits::mustRise($least, $most, 'max_insertion_m');
        Limits::mustRise($gapLeast, $gapMost, 'gap_max_m');
        if ($gap >= $body) {
            throw Refused::field('setting_gap_m', "setting_gap_m is {$gap} m; the body is {$body} m long: the pipe is not in it.");
        }
        $insertion = $body - $gap;
        $found = new Findings;
        $found->atLeast($insertion, $least, 'min_insertion_m', 'insertion-short');
        $found->atMost($insertion, $most, 'max_insertion_m', 'insertion-over');
        $found->atLeast($gap, $gapLeast, 'gap_min_m', 'gap-low');
        $found->atMost($gap, $gapMost, 'gap_max_m', 'gap-high');

        return ['insertion_m' => $insertion] + $found->toArray();
    }
}
