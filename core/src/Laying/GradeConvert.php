<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;

/** A grade in the ways in which people say it. */
#[Calculates(
    'grade-convert',
    'What is this grade in other words?',
    Family::Gasketed,
    ['ratio', 'percent', 'per_mille', 'one_in', 'angle_deg'],
    'Geometry',
)]
final class GradeConvert
{
    private const STEEPEST = 2.0;

    /** @return array{ratio: float, percent: float, per_mille: float, one_in: float|null, angle_deg: float} `one_in` null: level */
    public function __invoke(
        #[Number('ratio', about: 'rise over run')] ?float $ratio = null,
        #[Number('percent')] ?float $percent = null,
        #[Number('per_mille')] ?float $perMille = null,
        #[Number('one_in', about: 'run for a rise of 1')] ?float $oneIn = null,
        #[Number('angle_deg', above: -90, below: 90)] ?float $angle = null,
    ): array {
        $given = array_filter(
            ['ratio' => $ratio, 'percent' => $percent, 'per_mille' => $perMille, 'one_in' => $oneIn, 'angle_deg' => $angle],
            fn (?float $value): bool => $value !== null,
        );
        if (\count($given) !== 1) {
            throw Refused::field(
                'ratio|percent|per_mille|one_in|angle_deg',
                'Give the grade once: ratio, percent, per_mille, one_in or angle_deg; given are '.\count($given).'.',
            );
        }
        $key = array_key_first($given);
        $value = $given[$key];
        if ($key === 'one_in' && $value == 0.0) {
            throw Refused::field('one_in', 'one_in is 0: a wall has no grade. Level is a ratio of 0.');
        }
        $grade = match ($key) {
            'ratio' => $value,
            'percent' => $value / 100,
            'per_mille' => $value / 1000,
            'one_in' => 1 / $value,
            'angle_deg' => tan(deg2rad($value)),
        };
        if (! Compare::atMost(abs($grade), self::STEEPEST)) {
            throw Refused::field($key, "{$key} is {$value}; allowed is up to a ratio of ".self::STEEPEST.' either way.');
        }

        return [
            'ratio' => $grade,
            'percent' => 100 * $grade,
            'per_mille' => 1000 * $grade,
            'one_in' => $grade == 0.0 ? null : 1 / $grade,
            'angle_deg' => rad2deg(atan($grade)),
        ];
    }
}
