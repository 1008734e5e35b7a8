<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** A string along the barrel and the largest gap under it: how much the pipe is bowed, and what that adds to a joint. */
#[Calculates(
    'straightness',
    'Is the pipe straight enough?',
    Family::Measuring,
    ['bow_m', 'radius_m', 'end_slope_deg', 'percent', 'verdict', 'uncertain', 'reasons'],
    'Geometry: arc over its chord',
)]
final class Straightness
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('length_m', Quantity::Length, above: 0, about: 'of the string or straight edge')] float $length,
        #[Measure('bow_mm', Quantity::Length, min: 0, about: 'largest gap, as it was read')] float $read,
        #[Measure('block_mm', Quantity::Length, min: 0, about: 'height of the blocks under the string')] float $block = 0.0,
        #[Number('limit_percent', min: 0, about: 'of the length')] ?float $limit = null,
        #[Number('u_percent', min: 0, about: 'expanded, of the length')] ?float $u = null,
        #[Choice('rule', Guard::RULES)] string $rule = 'guarded',
    ): array {
        $bow = $read - $block;
        if ($bow < 0) {
            throw Refused::field('bow_mm', 'bow_mm is less than block_mm: read on the hollow side of the pipe.');
        }
        if ($bow > $length / 4) {
            throw Refused::field('bow_mm', "bow_mm is {$bow} m on {$length} m: more than a quarter of the length is no bow.");
        }

        return [
            'bow_m' => $bow,
            'radius_m' => $bow > 0 ? $length ** 2 / (8 * $bow) + $bow / 2 : null,
            'end_slope_deg' => rad2deg(2 * atan((2 * $bow) / $length)),
            'percent' => (100 * $bow) / $length,
            ...Guard::judge((100 * $bow) / $length, null, $limit, $u, $rule)->toArray(),
        ];
    }
}
