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
use Diastoma\Core\Round\Clock;
use Diastoma\Core\Round\HarmonicFit;
use Diastoma\Core\Round\Median;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * The shape of a pipe end from radii read round a centre. The first harmonic is only the gauge off centre; the second
 * is the oval; the third, which no caliper can see, needs eight readings or more.
 */
#[Calculates(
    'ovality-radii',
    'What shape has the pipe end, by a gauge that turns round a centre?',
    Family::Electrofusion,
    [
        'd0_mm',
        'ecc_mm',
        'ecc_deg',
        'centred',
        'ovality_fit_mm',
        'axis_deg',
        'lobe3_mm',
        'u95_ovality_mm',
        'u95_axis_deg',
        'flats',
        'flat_depth_mm',
        'flat_at',
        'limit_used_mm',
        'jaws',
        'screws',
        'axis',
        'cannot_tell',
        'verdict',
        'reasons',
    ],
    'Least squares, harmonics 1 and 2, and 3 from eight readings on',
    codes: ['axis' => LongAxis::HOW_CLEAR],
)]
final class OvalityRadii
{
    /** Below this an oval or an offset has no direction, m. */
    private const NO_DIRECTION = 1e-5;

    private const LEAST_FOR_THIRD = 8;

    /** Fewer readings cannot tell a flat from a three-lobed end. */
    private const LEAST_FOR_BOTH = 12;

    /** How many times worse than evenly spread readings the oval may be known before the round tells nothing. */
    private const WORST_INFLATION = 50;

    /**
     * @param  non-empty-list<RadiusReading>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Readings('readings', RadiusReading::class, 'angle_deg', 'r', atLeast: 5)] array $readings,
        #[Measure('u_instr_mm', Quantity::Length, above: 0, about: 'standard uncertainty of one reading')] float $u = 0.0001,
        #[Measure('limit_mm', Quantity::Length, min: 0)] ?float $limitLength = null,
        #[Number('limit_pct', min: 0)] ?float $limitPercent = null,
        #[Measure('flat_limit_mm', Quantity::Length, above: 0)] ?float $flatLimit = null,
    ): array {
        $this->refuseOddOnes($readings);
        $third = \count($readings) >= self::LEAST_FOR_THIRD;
        $angles = array_map(fn (RadiusReading $r) => deg2rad($r->direction), $readings);
        $radii = array_map(fn (RadiusReading $r) => $r->radius, $readings);
        $fit =
            ($third ? self::spread(HarmonicFit::of($angles, $radii, [1, 2, 3])) : null) ??
            (self::spread(HarmonicFit::of($angles, $radii, [1, 2])) ??
                throw Refused::field('readings', 'readings: these directions do not tell the shape; spread them round the pipe.'));
        $third = \in_array(3, $fit->harmonics, true);
        $flat = $this->flat(\count($readings) >= self::LEAST_FOR_BOTH ? $fit : HarmonicFit::of($angles, $radii, [1, 2]), $readings);
        $shape = LongAxis::of($fit, 4, $u);
        $diameter = 2 * $fit->mean();
        $limits = array_filter([$limitLength, $limitPercent === null ? null : $limitPercent / 100 * $diameter], fn ($l) => $l !== null);
        $limit = $limits === [] ? null : min($limits);
        [$verdict, $reasons] = $limit === null ? [Verdict::Open, ['no limit']] : $shape->against($limit, $shape->ovality);
        $oval = $shape->ovality >= self::NO_DIRECTION;

        return [
            'd0_mm' => Si::mm($diameter), 'ecc_mm' => Si::mm($fit->amplitude(1)),
            'ecc_deg' => $fit->amplitude(1) < self::NO_DIRECTION ? null : rad2deg($fit->direction(1)),
            'centred' => array_map(fn (RadiusReading $r) => self::centred($r, $fit), $readings),
            'ovality_fit_mm' => Si::mm($shape->ovality), 'axis_deg' => $oval ? rad2deg($fit->direction(2)) : null,
            'lobe3_mm' => $third ? Si::mm($fit->amplitude(3)) : null,
            'u95_ovality_mm' => Si::mm($shape->uncertainty), 'u95_axis_deg' => $shape->axisUncertainty,
            'flat_depth_mm' => $flat === null ? null : Si::mm(max(0.0, ...array_values($flat))),
            'flat_at' => $flat === null ? null : Clock::text((float) array_search(max([-INF, ...array_values($flat)]), $flat, true)),
            'flats' => $flat === null || $flatLimit === null
                    ? null
                    : array_map(floatval(...), array_keys(array_filter($flat, fn (float $depth) => Compare::atLeast($depth, $flatLimit)))),
            'limit_used_mm' => $limit === null ? null : Si::mm($limit),
            'jaws' => $shape->jaws(), 'screws' => $shape->screws(), 'axis' => LongAxis::howClear($shape),
            'cannot_tell' => match (true) {
                $flat === null => ['three-lobed', 'flat'],
                ! $third => ['three-lobed'],
                \count($readings) < self::LEAST_FOR_BOTH => ['three-lobed or flat'],
                default => [],
            },
            'verdict' => $verdict->value, 'reasons' => $reasons,
        ];
    }

    /**
     * A radius as it lies round the pipe's own middle: the gauge seldom turns exactly there.
     *
     * @return array{clock: string, value_mm: float}
     */
    private static function centred(RadiusReading $r, HarmonicFit $fit): array
    {
        $off = $fit->amplitude(1) * cos(deg2rad($r->direction) - $fit->direction(1));

        return ['clock' => Clock::text($r->direction), 'value_mm' => Si::mm($r->radius - $off)];
    }

    private static function spread(?HarmonicFit $fit): ?HarmonicFit
    {
        return $fit === null || $fit->inflation(2) > self::WORST_INFLATION ? null : $fit;
    }

    /** @param  non-empty-list<RadiusReading>  $readings */
    private function refuseOddOnes(array $readings): void
    {
        $median = Median::of(array_map(fn (RadiusReading $r) => $r->radius, $readings));
        foreach ($readings as $r) {
            if (abs($r->radius - $median) > 0.2 * $median) {
                throw Refused::field(
                    'readings',
                    sprintf(
                        'readings: %g mm lies more than 20 %% off the others (%g mm): wrong unit or a slip?',
                        Si::mm($r->radius),
                        Si::mm($median),
                    ),
                );
            }
        }
    }

    /**
     * How deep each reading lies inside the shape that the others show: the whole depth of a single flat, which pulls
     * the common fit towards itself.
     *
     * @param  non-empty-list<RadiusReading>  $readings
     * @return array<array-key, float>|null direction in degrees => depth, m; null when nothing is left to tell it by
     */
    private function flat(?HarmonicFit $fit, array $readings): ?array
    {
        if ($fit === null || $fit->n() <= $fit->p()) {
            return null;
        }
        $depths = [];
        foreach ($fit->residuals as $i => $residual) {
            $depths[(string) $readings[$i]->direction] = -$residual / max(1e-9, 1 - $fit->leverage($i));
        }

        return $depths;
    }
}
