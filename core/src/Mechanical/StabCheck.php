<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Whether a stab joint is in: marked at its depth, cut square, chamfered, and the mark at the face. It is never pulled back. */
#[Calculates(
    'stab-check',
    'Is the stab joint in?',
    Family::Mechanical,
    ['depth_m', 'reasons', 'notes', 'verdict'],
    'Geometry; 1/8 in at the face is common practice of one school',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'reasons' => ['mark-off', 'not-square', 'no-chamfer', 'not-home', 'mark-hidden', 'no-fact:*', 'no-limit:*'],
        'notes' => ['no-limit:*'],
    ],
)]
final class StabCheck
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('insertion_m', Quantity::Length, above: 0, about: 'depth by the label')] float $insertion,
        #[Measure('mark_m', Quantity::Length, above: 0, about: 'from the pipe end')] float $mark,
        #[Measure('mark_to_face_m', Quantity::Length, about: 'plus = outside')] ?float $toFace = null,
        #[Measure('mark_tol_m', Quantity::Length, min: 0)] ?float $tolerance = null,
        #[Measure('face_max_m', Quantity::Length, min: 0)] ?float $faceMost = null,
        #[Flag('cut_square')] ?bool $square = null,
        #[Flag('chamfer_gauge_ok')] ?bool $chamfered = null,
        #[Flag('mark_visible')] ?bool $visible = null,
    ): array {
        if ($visible === true && $toFace === null) {
            throw Refused::field('mark_to_face_m', 'mark_to_face_m is missing: the mark can be seen, so measure it.');
        }
        $found = new Findings;
        if ($tolerance === null) {
            $found->note('no-limit:mark_tol_m');
        } else {
            $found->atMost(abs($mark - $insertion), $tolerance, 'mark_tol_m', 'mark-off');
        }
        $found->fact($square, 'cut_square', 'not-square');
        $found->fact($chamfered, 'chamfer_gauge_ok', 'no-chamfer');
        $visible === null && $found->open('no-fact:mark_visible');
        if ($toFace === null) {
            $visible === false && $found->open('mark-hidden');
        } else {
            $found->atMost(abs($toFace), $faceMost, 'face_max_m', 'not-home');
        }

        return ['depth_m' => $toFace === null ? null : $mark - $toFace] + $found->toArray();
    }
}
