<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Where the marks go on both pipe ends before the sleeve covers them, and how far it may then sit off the middle. */
#[Calculates(
    'insertion-marks',
    'Where do the marks of a coupling go?',
    Family::Mechanical,
    ['mark_centre_m', 'centring_tol_m', 'max_gap_m', 'mark_m', 'reasons', 'notes', 'verdict'],
    'Geometry of sleeve and gap',
    verdicts: ['good', 'bad'],
    codes: ['reasons' => ['gap-too-wide']],
)]
final class InsertionMarks
{
    public const MEANINGS = ['nominal-centred', 'minimum'];

    /** @return array<string, mixed> `max_gap_m`: the widest that the sleeve itself allows, not the label's */
    public function __invoke(
        #[Measure('coupling_length_m', Quantity::Length, min: 0.05, max: 3)] float $sleeve,
        #[Measure('gap_m', Quantity::Length, min: 0, max: 1)] float $gap,
        #[Measure('min_insertion_m', Quantity::Length, above: 0)] float $least,
        #[Choice('meaning', self::MEANINGS)] string $meaning = 'nominal-centred',
    ): array {
        if ($gap >= $sleeve) {
            throw Refused::field('gap_m', "gap_m is {$gap} m; the coupling is {$sleeve} m long.");
        }
        if (! Compare::atMost($least, $sleeve / 2)) {
            throw Refused::field('min_insertion_m', "min_insertion_m is {$least} m, more than half of the coupling, {$sleeve} m.");
        }
        $centre = ($sleeve - $gap) / 2;
        $found = new Findings;
        if (! Compare::atLeast($centre - $least, 0.0)) {
            $found->bad('gap-too-wide');
        }

        return [
            'mark_centre_m' => $centre,
            'centring_tol_m' => $centre - $least,
            'max_gap_m' => $sleeve - 2 * $least,
            'mark_m' => $meaning === 'minimum' ? $least : $centre,
        ] + $found->toArray();
    }
}
