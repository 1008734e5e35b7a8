<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Round\Median;
use Diastoma\Core\Units\Quantity;

/** What the test of stretching pipe needs, read off its log at the phases that the crew marked. */
#[Calculates(
    'viscoelastic-log',
    'What do the phases show in the log?',
    Family::PressureTest,
    ['relax_min', 'raise_min', 'hold_min', 'creep_min', 'p_creep_end_kpa', 'p_after_kpa', 'removed_l', 'readings'],
    'Readings at the phases that the crew marked',
)]
final class ViscoelasticLog
{
    /**
     * @param  list<list<float>>  $samples
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Rows('samples', ['t_min', 'pressure_kpa', 'added_l', 'temp_c'], atLeast: 2, optional: 2)] array $samples,
        #[Measure('raise_from_min', Quantity::Time, min: 0)] float $raiseFrom,
        #[Measure('hold_from_min', Quantity::Time, min: 0)] float $holdFrom,
        #[Measure('creep_from_min', Quantity::Time, min: 0)] float $creepFrom,
        #[Measure('reduce_from_min', Quantity::Time, min: 0)] float $reduceFrom,
        #[Measure('main_from_min', Quantity::Time, min: 0)] float $mainFrom,
        #[Measure('main_to_min', Quantity::Time, min: 0)] float $mainTo,
    ): array {
        $log = new TestLog($samples);
        $log->mustRise([
            'raise_from' => $raiseFrom, 'hold_from' => $holdFrom, 'creep_from' => $creepFrom,
            'reduce_from' => $reduceFrom, 'main_from' => $mainFrom, 'main_to' => $mainTo,
        ]);
        $out = $log->water($reduceFrom / 60, $mainFrom / 60);

        return [
            'relax_min' => $raiseFrom / 60 - $samples[0][0], 'raise_min' => ($holdFrom - $raiseFrom) / 60,
            'hold_min' => ($creepFrom - $holdFrom) / 60, 'creep_min' => ($reduceFrom - $creepFrom) / 60,
            'p_creep_end_kpa' => $log->pressure($reduceFrom / 60), 'p_after_kpa' => $log->pressure($mainFrom / 60),
            'removed_l' => $out === null ? null : -$out,
            'readings' => array_map(
                fn ($r) => [$r[0] - $mainFrom / 60, $r[1]],
                $this->thinned($log->between($mainFrom / 60, $mainTo / 60)),
            ),
        ];
    }

    /**
     * A reading a minute: the rise of the main phase is slow, and a single noisy sample is no fall. It begins with the
     * pressure at which the letting out ended, and each minute stands at the middle of its samples.
     *
     * @param  non-empty-list<list<float>>  $rows
     * @return list<list<float>>
     */
    private function thinned(array $rows): array
    {
        $minutes = [];
        foreach (\array_slice($rows, 1) as $row) {
            $minutes[(int) floor($row[0] - $rows[0][0] + 1e-9)][] = $row;
        }
        $thin = [[$rows[0][0], $rows[0][1]]];
        foreach ($minutes as $minute) {
            $thin[] = [array_sum(array_column($minute, 0)) / \count($minute), Median::of(array_column($minute, 1))];
        }
        $last = $rows[\count($rows) - 1];
        if ($thin[\count($thin) - 1][0] < $last[0] - 1e-9) {
            $thin[] = [$last[0], Median::of(array_column(\array_slice($rows, -3), 1))];
        }

        return $thin;
    }
}
