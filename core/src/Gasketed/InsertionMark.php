<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Where the mark goes, and whether the push brought it where the school wants it. */
#[Calculates('insertion-mark', 'Is the spigot in to its mark?', Family::Gasketed, ['mark_m', 'failed', 'pass', 'verdict'], 'Common practice of two schools')]
final class InsertionMark
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('depth_to_stop_m', Quantity::Length, above: 0, max: 2)] float $depth,
        #[Measure('end_gap_m', Quantity::Length, min: 0, max: 0.2)] float $gap,
        #[Choice('school', ['one-mark', 'two-marks'])] string $school = 'one-mark',
        #[Measure('mark1_visible_m', Quantity::Length, about: 'minus = hidden')] ?float $first = null,
        #[Measure('mark2_visible_m', Quantity::Length)] ?float $second = null,
        #[Measure('max_visible_m', Quantity::Length, min: 0)] ?float $maxVisible = null,
    ): array {
        if ($gap >= $depth) {
            throw Refused::field('end_gap_m', "end_gap_m {$gap} m must be less than the depth to the stop, {$depth} m.");
        }
        $failed = [];
        $complete = $school === 'one-mark' ? $first !== null && $maxVisible !== null : $first !== null && $second !== null;
        if ($school === 'one-mark' && $first !== null) {
            if ($maxVisible !== null && ! Compare::atMost($first, $maxVisible)) {
                $failed[] = 'under-inserted';
            }
            if (! Compare::atLeast($first, 0.0)) {
                $failed[] = 'over-inserted';
            }
        } elseif ($school === 'two-marks') {
            if ($first !== null && ! Compare::atMost($first, 0.0)) {
                $failed[] = 'under-inserted';
            }
            if ($second !== null && ! Compare::atLeast($second, 0.0)) {
                $failed[] = 'over-inserted';
            }
        }
        $pass = $failed !== [] ? false : ($complete ? true : null);

        return ['mark_m' => $depth - $gap, 'failed' => $failed, 'pass' => $pass, 'verdict' => $pass === null ? 'open' : ($pass ? 'good' : 'bad')];
    }
}
