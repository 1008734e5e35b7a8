<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Where the two marks of a wrap-round clamp go, about the middle of the break, before it is covered. */
#[Calculates(
    'wrap-marks',
    'Where do the marks of a wrap-round clamp go?',
    Family::Mechanical,
    ['marks_apart_m', 'from_middle_m', 'spare_m'],
    'Geometry',
)]
final class WrapMarks
{
    /** @return array{marks_apart_m: float, from_middle_m: float, spare_m: float} `spare_m`: rubber beside the break, each side */
    public function __invoke(
        #[Measure('body_length_m', Quantity::Length, above: 0)] float $body,
        #[Measure('seal_length_m', Quantity::Length, above: 0, about: 'rubber')] float $seal,
        #[Measure('break_width_m', Quantity::Length, min: 0, about: 'along the pipe')] float $break,
        #[Measure('mark_offset_m', Quantity::Length, above: 0, about: 'outside the body')] float $offset,
    ): array {
        if ($break >= $seal) {
            throw Refused::field(
                'break_width_m',
                "break_width_m is {$break} m and the rubber {$seal} m: the clamp is too short. Cut out and put in a piece.",
            );
        }
        $apart = $body + 2 * $offset;

        return ['marks_apart_m' => $apart, 'from_middle_m' => $apart / 2, 'spare_m' => ($seal - $break) / 2];
    }
}
