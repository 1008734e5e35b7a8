<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Whether both gaskets of a sleeve sit on enough pipe, once it is slid to the middle. What a mark means decides how it is read. */
#[Calculates(
    'coupling-centre',
    'Does the coupling sit on enough pipe at both ends?',
    Family::Mechanical,
    ['insertion1_m', 'insertion2_m', 'gap_m', 'offcentre_m', 'reasons', 'notes', 'verdict'],
    'Geometry of sleeve and marks; limits of the label',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'reasons' => [
            'mark1-hidden', 'insertion1-short', 'mark2-hidden', 'insertion2-short', 'gap-low', 'gap-high', 'off-centre', 'no-fact:*',
            'no-limit:*',
        ],
    ],
)]
final class CouplingCentre
{
    /** @return array<string, mixed> `offcentre_m`: plus = too far on pipe 1; slid by this much towards pipe 2 it is centred */
    public function __invoke(
        #[Measure('coupling_length_m', Quantity::Length, above: 0)] float $sleeve,
        #[Measure('mark1_m', Quantity::Length, above: 0, about: 'from the pipe end')] float $mark1,
        #[Measure('mark2_m', Quantity::Length, above: 0, about: 'from the pipe end')] float $mark2,
        #[Measure('face1_m', Quantity::Length, about: 'sleeve end to mark; minus = covered')] ?float $face1 = null,
        #[Measure('face2_m', Quantity::Length, about: 'sleeve end to mark; minus = covered')] ?float $face2 = null,
        #[Flag('face1_known')] bool $known1 = true,
        #[Flag('face2_known')] bool $known2 = true,
        #[Measure('min_insertion_m', Quantity::Length, min: 0)] ?float $least = null,
        #[Measure('gap_min_m', Quantity::Length, min: 0)] ?float $gapLeast = null,
        #[Measure('gap_max_m', Quantity::Length, min: 0)] ?float $gapMost = null,
        #[Measure('offcentre_max_m', Quantity::Length, min: 0)] ?float $offMost = null,
        #[Choice('meaning', InsertionMarks::MEANINGS)] string $meaning = 'nominal-centred',
        #[Flag('mark1_covered')] ?bool $covered1 = null,
        #[Flag('mark2_covered')] ?bool $covered2 = null,
        #[Measure('gap_before_m', Quantity::Length, min: 0, about: 'both pipes held, before the sleeve is slid')] ?float $before = null,
        #[Measure('sum_tol_m', Quantity::Length, min: 0)] float $sumTolerance = 0.002,
    ): array {
        Limits::mustRise($gapLeast, $gapMost, 'gap_max_m');
        $meaning = $meaning === 'minimum' ? 'minimum' : 'nominal-centred';
        $one = CoupledEnd::of(1, $mark1, $face1, $known1, $covered1, $meaning);
        $two = CoupledEnd::of(2, $mark2, $face2, $known2, $covered2, $meaning);
        [$in1, $in2] = [$one->insertion(), $two->insertion()];
        $both = $in1 !== null && $in2 !== null;
        $read = $both ? $sleeve - $in1 - $in2 : null;
        if ($read !== null && ! Compare::atLeast($read, -$sumTolerance)) {
            $sum = $in1 + $in2;
            throw Refused::field(
                'coupling_length_m',
                "coupling_length_m is {$sleeve} m and the insertions add to {$sum} m: a reading or the label is wrong.",
            );
        }
        $gap = $meaning === 'minimum' ? $before ?? $read : $read;
        $off = $both ? ($in1 - $in2) / 2 : null;
        $found = new Findings;
        foreach ([$one, $two] as $end) {
            $meaning === 'minimum' ? $end->reached($found, $least) : $end->centred($found, $least);
        }
        if ($meaning === 'minimum' && $gap === null) {
            $found->open('no-fact:gap_before_m');
        }
        $found->atLeast($gap, $gapLeast, 'gap_min_m', 'gap-low');
        $found->atMost($gap, $gapMost, 'gap_max_m', 'gap-high');
        if ($meaning === 'nominal-centred') {
            $found->atMost($off === null ? null : abs($off), $offMost, 'offcentre_max_m', 'off-centre');
        }

        return ['insertion1_m' => $in1, 'insertion2_m' => $in2, 'gap_m' => $gap, 'offcentre_m' => $off] + $found->toArray();
    }
}
