<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Units\Quantity;

/** What the watch after an expansion needs, read off its log. */
#[Calculates(
    'expansion-log',
    'What do expansion and watch show in the log?',
    Family::PressureTest,
    ['p_test_kpa', 'expansion_min', 'p_phase_start_kpa', 'phase_min', 'p_phase_min_kpa', 'p_phase_max_kpa', 'total_min'],
    'Readings between the phases that the crew marked; time-weighted mean',
)]
final class ExpansionLog
{
    /**
     * @param  list<list<float>>  $samples
     * @return array<string, float>
     */
    public function __invoke(
        #[Rows('samples', ['t_min', 'pressure_kpa', 'added_l', 'temp_c'], atLeast: 2, optional: 2)] array $samples,
        #[Measure('expansion_from_min', Quantity::Time, min: 0)] float $from,
        #[Measure('reduce_from_min', Quantity::Time, min: 0)] float $reduce,
        #[Measure('watch_from_min', Quantity::Time, min: 0)] float $watch,
        #[Measure('watch_to_min', Quantity::Time, min: 0)] float $to,
    ): array {
        $log = new TestLog($samples);
        $log->mustRise(['expansion_from' => $from, 'reduce_from' => $reduce, 'watch_from' => $watch, 'watch_to' => $to]);
        $watched = array_column($log->between($watch / 60, $to / 60), 1);

        return [
            'p_test_kpa' => TestLog::average($log->between($from / 60, $reduce / 60)),
            'expansion_min' => ($reduce - $from) / 60,
            'p_phase_start_kpa' => $log->pressure($watch / 60),
            'phase_min' => ($to - $watch) / 60,
            'p_phase_min_kpa' => min([INF, ...$watched]),
            'p_phase_max_kpa' => max([-INF, ...$watched]),
            'total_min' => ($to - $from) / 60,
        ];
    }
}
