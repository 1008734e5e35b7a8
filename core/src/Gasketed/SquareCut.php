<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** How far an end is out of square, or a pipe leans while it goes in: as an angle, and as a length across the end. */
#[Calculates(
    'square-cut',
    'Is the end square, or does the pipe lean?',
    Family::Gasketed,
    ['angle_deg', 'allowed_m', 'pass', 'verdict'],
    'Geometry: the length across the diameter',
)]
final class SquareCut
{
    /** @return array{angle_deg: float, allowed_m: float, pass: bool, verdict: string} without an uncertainty close at best */
    public function __invoke(
        #[Measure('od_m', Quantity::Length, above: 0)] float $od,
        #[Measure('out_of_square_m', Quantity::Length, min: 0, max: 0.5)] float $out,
        #[Number('limit_deg', min: 0, max: 45)] float $limit,
        #[Measure('u_m', Quantity::Length, min: 0, about: 'uncertainty of the reading, k = 2')] ?float $uncertainty = null,
    ): array {
        $allowed = $od * tan(deg2rad($limit));
        $pass = Compare::atMost($out, $allowed);
        $verdict = match (true) {
            ! $pass => Verdict::Bad,
            $uncertainty === null || ! Compare::atMost($out + $uncertainty, $allowed) => Verdict::Close,
            default => Verdict::Good,
        };

        return ['angle_deg' => rad2deg(atan($out / $od)), 'allowed_m' => $allowed, 'pass' => $pass, 'verdict' => $verdict->value];
    }
}
