<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Outside diameter from a tape round the pipe: D = sqrt(C² - s²)/π - t, at the reference temperature if asked. */
#[Calculates(
    'circumference-od',
    'What outside diameter does the tape show?',
    Family::Measuring,
    ['od_mm'],
    'Geometry; by Cauchy\'s theorem the taped diameter is the mean caliper diameter of any section without hollows',
)]
final class CircumferenceOd
{
    /** @return array{od_mm: float} */
    public function __invoke(
        #[Choice('tape_kind', ['plain', 'diameter'])] string $kind,
        #[Measure('circumference_mm', Quantity::Length, min: 30, max: 15000)] ?float $circumference = null,
        #[Measure('tape_diameter_mm', Quantity::Length, min: 9.5, max: 4800)] ?float $tapeDiameter = null,
        #[Measure('tape_thickness_mm', Quantity::Length, min: 0, max: 2)] float $thickness = 0.0,
        #[Measure('tape_skew_mm', Quantity::Length, min: 0)] float $skew = 0.0,
        #[Measure('pipe_temp_c', Quantity::Temperature, min: -60, max: 100)] ?float $pipeTemp = null,
        #[Measure('reference_temp_c', Quantity::Temperature, min: -60, max: 100)] ?float $referenceTemp = null,
        #[Measure('expansion_per_k', Quantity::Expansion, min: 0, max: 0.001)] ?float $expansion = null,
    ): array {
        if ($kind === 'plain' ? $circumference === null || $tapeDiameter !== null : $tapeDiameter === null || $circumference !== null) {
            throw Refused::field(
                'tape_kind',
                "tape_kind is {$kind}: give ".($kind === 'plain' ? 'circumference_mm' : 'tape_diameter_mm').' and not the other.',
            );
        }
        $around = $circumference ?? M_PI * (float) $tapeDiameter;
        if ($skew > 0.2 * $around) {
            throw Refused::field(
                'tape_skew_mm',
                sprintf(
                    'tape_skew_mm is %g mm; allowed is up to a fifth of the circumference, %g mm.',
                    Si::mm($skew),
                    Si::mm(0.2 * $around),
                ),
            );
        }
        $diameter = sqrt($around ** 2 - $skew ** 2) / M_PI - $thickness;
        $given = array_filter([$pipeTemp, $referenceTemp, $expansion], fn ($v) => $v !== null);
        if ($given !== [] && \count($given) < 3) {
            $missing = $pipeTemp === null ? 'pipe_temp_c' : ($referenceTemp === null ? 'reference_temp_c' : 'expansion_per_k');
            throw Refused::field(
                $missing,
                "{$missing} is missing: give pipe_temp_c, reference_temp_c and expansion_per_k, or none of them.",
            );
        }
        if ($given !== []) {
            $diameter /= 1 + $expansion * ($pipeTemp - $referenceTemp);
        }

        return ['od_mm' => Si::mm($diameter)];
    }
}
