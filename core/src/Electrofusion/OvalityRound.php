<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Readings;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\HarmonicFit;
use Diastoma\Core\Round\Median;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * Clamp or not, and where do its jaws press? Ovality of a pipe end from diameters in several directions.
 *
 * The jaws press along the long axis; the split with the screws lies across it.
 */
#[Calculates(
    'ovality-round',
    'Is the pipe end round enough, and where does the re-rounding clamp go?',
    Family::Electrofusion,
    [
        'ovality_mm',
        'ovality_pct',
        'd_mean_mm',
        'tape_minus_mean_mm',
        'd0_mm',
        'a2_mm',
        'ovality_fit_mm',
        'u95_ovality_mm',
        'axis_deg',
        'u95_axis_deg',
        'residual_min_mm',
        'flats',
        'ovality_judged_mm',
        'limit_used_mm',
        'verdict',
        'long_axis',
        'jaws',
        'screws',
        'axis',
        'reasons',
    ],
    'ISO 11922-1 definition (from memory); least squares with Student t',
    codes: ['axis' => LongAxis::HOW_CLEAR],
)]
final class OvalityRound
{
    private const SAME_DIRECTION_DEG = 0.5;

    private const WORST_CONDITION = 50;

    /**
     * @param  non-empty-list<DiameterReading>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Readings('readings', DiameterReading::class, 'angle_deg', 'd', atLeast: 2)] array $readings,
        #[Measure('u_instr_mm', Quantity::Length, above: 0, about: 'standard uncertainty of one reading')] float $u = 0.0001,
        #[Measure('od_tape_mm', Quantity::Length, above: 0)] ?float $tape = null,
        #[Measure('limit_mm', Quantity::Length, min: 0)] ?float $limitLength = null,
        #[Number('limit_pct', min: 0)] ?float $limitPercent = null,
        #[Measure('flat_limit_mm', Quantity::Length, above: 0)] ?float $flatLimit = null,
    ): array {
        $values = array_map(fn (DiameterReading $r) => $r->diameter, $readings);
        self::refuseOddOnes($values);
        $spread = max($values) - min($values);
        $mean = array_sum($values) / \count($values);
        $fit = $this->fit($readings, $values);
        $shape = $fit === null ? null : LongAxis::of($fit, 2, $u);

        $limits = array_filter([$limitLength, $limitPercent === null ? null : $limitPercent / 100 * $mean], fn ($l) => $l !== null);
        $limit = $limits === [] ? null : min($limits);
        $judged = max($spread, $shape->ovality ?? 0.0);
        [$verdict, $reasons] = $this->judge($spread, $shape, $limit);

        return [
            'ovality_mm' => Si::mm($spread), 'ovality_pct' => 100 * $spread / $mean, 'd_mean_mm' => Si::mm($mean),
            'tape_minus_mean_mm' => $tape === null ? null : Si::mm($tape - $mean),
            'd0_mm' => $fit === null ? null : Si::mm($fit->mean()),
            'a2_mm' => $fit === null ? null : Si::mm($fit->amplitude(2)),
            'ovality_fit_mm' => $shape === null ? null : Si::mm($shape->ovality),
            'u95_ovality_mm' => $shape === null ? null : Si::mm($shape->uncertainty),
            'axis_deg' => $shape?->axis, 'u95_axis_deg' => $shape?->axisUncertainty,
            'residual_min_mm' => $fit === null ? null : Si::mm(min([INF, ...$fit->residuals])),
            'flats' => $this->flats($fit, $readings, $flatLimit),
            'ovality_judged_mm' => Si::mm($judged), 'limit_used_mm' => $limit === null ? null : Si::mm($limit),
            'verdict' => $verdict->value,
            'long_axis' => $shape?->jaws(), 'jaws' => $shape?->jaws(), 'screws' => $shape?->screws(),
            'axis' => LongAxis::howClear($shape), 'reasons' => $reasons,
        ];
    }

    /** @param  non-empty-list<float>  $values */
    private static function refuseOddOnes(array $values): void
    {
        $median = Median::of($values);
        foreach ($values as $value) {
            if ($value <= 0 || abs($value - $median) > 0.2 * $median) {
                throw Refused::field(
                    'readings',
                    sprintf(
                        'readings: %g mm lies more than 20 %% off the others (%g mm): wrong unit or a slip?',
                        Si::mm($value),
                        Si::mm($median),
                    ),
                );
            }
        }
    }

    /**
     * @param  non-empty-list<DiameterReading>  $readings
     * @param  list<float>  $values
     */
    private function fit(array $readings, array $values): ?HarmonicFit
    {
        $distinct = [];
        foreach ($readings as $r) {
            foreach ($distinct as $d) {
                $apart = abs($r->direction - $d);
                if (min($apart, 180 - $apart) <= self::SAME_DIRECTION_DEG) {
                    continue 2;
                }
            }
            $distinct[] = $r->direction;
        }
        if (\count($distinct) < 3) {
            return null;
        }
        $fit = HarmonicFit::of(array_map(fn (DiameterReading $r) => deg2rad($r->direction), $readings), $values, [2]);

        return $fit !== null && $fit->condition() <= self::WORST_CONDITION ? $fit : null;
    }

    /**
     * @return array{Verdict, list<string>}
     */
    private function judge(float $spread, ?LongAxis $shape, ?float $limit): array
    {
        if ($limit === null) {
            return [Verdict::Open, ['no limit']];
        }
        if (! Compare::atMost($spread, $limit)) {
            return [Verdict::Bad, []];
        }
        if ($shape === null) {
            return [Verdict::Open, ['too few directions: the spread can prove bad, never good']];
        }

        return $shape->against($limit, max($spread, $shape->ovality));
    }

    /**
     * @param  non-empty-list<DiameterReading>  $readings
     * @return list<float>|null
     */
    private function flats(?HarmonicFit $fit, array $readings, ?float $limit): ?array
    {
        if ($fit === null || $limit === null || $fit->n() < 6) {
            return null;
        }
        $flats = [];
        foreach ($fit->residuals as $i => $residual) {
            if (Compare::atMost($residual, -$limit)) {
                $flats[] = $readings[$i]->direction;
            }
        }

        return $flats;
    }
}
