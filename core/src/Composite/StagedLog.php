<?php

declare(strict_types=1);

namespace Diastoma\Core\Composite;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\PressureTest\TestLog;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** What a staged test needs, read off its log: how fast it rose, how high it came, how fast it fell when the clock started. */
#[Calculates(
    'staged-log',
    'What do the rise and the hold of a staged test show?',
    Family::PressureTest,
    [
        'fastest_percent', 'peak_kpa', 'decline_at_start_kpa_h', 'decline_before_kpa_h', 'between_min', 'hold_min',
        'p_hold_min_kpa',
    ],
    'Readings between the phases that the crew marked; rise over one minute, fall over ten: common practice',
)]
final class StagedLog
{
    /** min */
    private const RISE_OVER = 1.0;

    private const FALL_OVER = 10.0;

    /**
     * @param  list<list<float>>  $samples
     * @return array<string, float|null>
     */
    public function __invoke(
        #[Rows('samples', ['t_min', 'pressure_kpa', 'added_l', 'temp_c'], atLeast: 2, optional: 2)] array $samples,
        #[Measure('rated_kpa', Quantity::Pressure, above: 0)] float $rated,
        #[Measure('raise_from_min', Quantity::Time, min: 0)] float $raise,
        #[Measure('target_from_min', Quantity::Time, min: 0, about: 'the target was reached')] float $reached,
        #[Measure('hold_from_min', Quantity::Time, min: 0)] float $from,
        #[Measure('hold_to_min', Quantity::Time, min: 0)] float $to,
    ): array {
        $log = new TestLog($samples);
        $log->mustRise(['raise_from' => $raise, 'target_from' => $reached, 'hold_from' => $from, 'hold_to' => $to]);
        $start = $from / 60;
        $fall = fn (float $until): ?float => $until - self::FALL_OVER >= $reached / 60 - 1e-6
            ? 60 / self::FALL_OVER * ($log->pressure($until - self::FALL_OVER) - $log->pressure($until))
            : null;
        $before = $fall($start - self::FALL_OVER);

        return [
            'fastest_percent' => 100 * $this->fastest($log, $raise / 60, $reached / 60) / Si::kpa($rated),
            'peak_kpa' => max([-INF, ...array_column($log->between($raise / 60, $to / 60), 1)]),
            'decline_at_start_kpa_h' => $fall($start),
            'decline_before_kpa_h' => $before,
            'between_min' => $before === null ? null : self::FALL_OVER,
            'hold_min' => ($to - $from) / 60,
            'p_hold_min_kpa' => min([INF, ...array_column($log->between($start, $to / 60), 1)]),
        ];
    }

    /** The fastest rise, kPa/min, over a minute wherever a reading lies. */
    private function fastest(TestLog $log, float $from, float $to): float
    {
        $fastest = 0.0;
        foreach ($log->between($from, $to) as $row) {
            $end = min($to, $row[0] + self::RISE_OVER);
            if ($end > $row[0] + 1e-9) {
                $fastest = max($fastest, ($log->pressure($end) - $log->pressure($row[0])) / max(self::RISE_OVER, $end - $row[0]));
            }
        }

        return $fastest;
    }
}
