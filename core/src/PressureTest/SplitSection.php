<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Where a section must be cut when its levels lie too far apart. Walks along and cuts where the range would be passed:
 * no other way needs fewer sections.
 */
#[Calculates(
    'split-section',
    'Where must the section be cut?',
    Family::PressureTest,
    ['max_level_range_m', 'cuts_m', 'sections'],
    'Hydrostatics; a greedy walk needs the fewest sections',
)]
final class SplitSection
{
    /** More cuts than that are a wrong entry. */
    private const MOST_CUTS = 10000;

    /**
     * @param  list<list<float>>  $profile
     * @return array{max_level_range_m: float, cuts_m: list<float>, sections: int}
     */
    public function __invoke(
        #[Rows('profile', ['chainage_m', 'elevation_m'], atLeast: 2)] array $profile,
        #[Measure('max_level_range_m', Quantity::Length, above: 0)] ?float $range = null,
        #[Measure('p_max_bar', Quantity::Pressure, min: 0, about: 'most at the lowest point')] ?float $most = null,
        #[Measure('p_min_bar', Quantity::Pressure, min: 0, about: 'least at the highest point')] ?float $least = null,
        #[Measure('density_kg_m3', Quantity::Density, above: 0)] float $density = 1000.0,
    ): array {
        $range = $this->range($range, $most, $least, $density);
        $cuts = [];
        [$low, $high] = [$profile[0][1], $profile[0][1]];
        $from = $profile[0];
        foreach (\array_slice($profile, 1) as $to) {
            while (! Compare::atMost(max($high, $to[1]) - min($low, $to[1]), $range)) {
                // The level at which the range is used up, going up or down.
                $level = $to[1] > $high ? $low + $range : $high - $range;
                $share = ($level - $from[1]) / ($to[1] - $from[1]);
                $from = [$from[0] + $share * ($to[0] - $from[0]), $level];
                $cuts[] = $from[0];
                [$low, $high] = [$level, $level];
                if (\count($cuts) > self::MOST_CUTS) {
                    throw Refused::field(
                        'max_level_range',
                        sprintf('max_level_range of %g m makes more than %d sections.', $range, self::MOST_CUTS),
                    );
                }
            }
            [$low, $high] = [min($low, $to[1]), max($high, $to[1])];
            $from = $to;
        }

        return ['max_level_range_m' => $range, 'cuts_m' => $cuts, 'sections' => \count($cuts) + 1];
    }

    /** m */
    private function range(?float $range, ?float $most, ?float $least, float $density): float
    {
        if ($range !== null && ($most !== null || $least !== null)) {
            throw Refused::field('max_level_range', 'max_level_range or p_max with p_min: give one of the two.');
        }
        if ($range !== null) {
            return $range;
        }
        if ($most === null && $least === null) {
            throw Refused::field('max_level_range', 'max_level_range is missing: give it, or p_max and p_min.');
        }
        $most ?? throw Refused::field('p_max', 'p_max is missing: what may the lowest point see?');
        $least ?? throw Refused::field('p_min', 'p_min is missing: what must the highest point see?');
        if (Compare::atMost($most, $least)) {
            throw Refused::field(
                'p_max',
                sprintf('p_max %g bar must lie above p_min %g bar: no level is left between them.', Si::bar($most), Si::bar($least)),
            );
        }

        return ($most - $least) / ($density * Si::GRAVITY);
    }
}
