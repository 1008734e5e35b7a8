<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Whether a wrap-round clamp covers the break by enough on both sides, and is closed. */
#[Calculates(
    'wrap-repair',
    'Does the clamp cover the break, and is it closed?',
    Family::Mechanical,
    ['marks_apart_m', 'offcentre_m', 'cover_m', 'reasons', 'notes', 'verdict'],
    'Geometry; latch and guides by common practice',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'reasons' => ['cover-short', 'latch-open', 'guides-off', 'no-fact:*', 'no-limit:*'],
        'notes' => ['no-fact:*'],
    ],
)]
final class WrapRepair
{
    /** @return array<string, mixed> `offcentre_m`: plus = too far to the right */
    public function __invoke(
        #[Measure('body_length_m', Quantity::Length, above: 0)] float $body,
        #[Measure('seal_length_m', Quantity::Length, above: 0, about: 'rubber')] float $seal,
        #[Measure('break_width_m', Quantity::Length, min: 0, about: 'along the pipe')] float $break,
        #[Measure('mark_offset_m', Quantity::Length, above: 0, about: 'outside the body')] float $offset,
        #[Measure('left_m', Quantity::Length, min: 0, about: 'body end to its mark')] float $left,
        #[Measure('right_m', Quantity::Length, min: 0, about: 'body end to its mark')] float $right,
        #[Measure('min_cover_m', Quantity::Length, min: 0)] ?float $least = null,
        #[Measure('sum_tol_m', Quantity::Length, min: 0)] ?float $sumTolerance = null,
        #[Flag('latch_clicked')] ?bool $latched = null,
        #[Number('latch_clicks', min: 0, whole: true)] ?float $clicks = null,
        #[Number('latch_clicks_min', min: 0, whole: true)] ?float $clicksLeast = null,
        #[Flag('guides_aligned')] ?bool $guides = null,
    ): array {
        $marks = (new WrapMarks)($body, $seal, $break, $offset);
        $found = new Findings;
        if ($sumTolerance === null) {
            $found->open('no-limit:sum_tol_m');
        } elseif (! Compare::atMost(abs($left + $right - 2 * $offset), $sumTolerance)) {
            throw Refused::field('left_m', "left_m {$left} m and right_m {$right} m do not add to twice mark_offset_m, {$offset} m.");
        }
        $off = ($left - $right) / 2;
        $cover = $marks['spare_m'] - abs($off);
        $found->atLeast($cover, $least, 'min_cover_m', 'cover-short');
        $found->fact($latched, 'latch_clicked', 'latch-open');
        if ($clicksLeast !== null) {
            $clicks === null && $found->open('no-fact:latch_clicks');
            $found->atLeast($clicks, $clicksLeast, 'latch_clicks_min', 'latch-open');
        }
        $guides === null ? $found->note('no-fact:guides_aligned') : $found->fact($guides, 'guides_aligned', 'guides-off');

        return ['marks_apart_m' => $marks['marks_apart_m'], 'offcentre_m' => $off, 'cover_m' => $cover] + $found->toArray();
    }
}
