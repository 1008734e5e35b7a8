<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * The joints of a day against the clock: when each is prepared, fused and cold, what holds the day up, and when the section can be
 * tested. Cooling is never shortened.
 */
#[Calculates(
    'day-plan',
    'When can the section be tested, and what holds it up?',
    Family::Measuring,
    [
        'joints', 'cold_min', 'test_from_min', 'after_shift', 'held_up_by', 'clamps_use_pct', 'crew_use_pct', 'box_use_pct',
        'waits_min', 'exact', 'bound_min', 'one_more',
    ],
    'Every order of acts, the joints in the order of the line; times are the procedure\'s and the crew\'s own',
    codes: ['held_up_by' => ['clamps', 'crew', 'box', 'cooling']],
)]
final class DayPlan
{
    private const MINUTE = 60.0;

    /**
     * @param  non-empty-list<DayJoint>  $joints  in the order of the line
     * @param  list<list<float>>  $pauses
     * @return array<string, mixed> minutes from the beginning; `waits_min`: joints stand prepared and wait, together; `one_more`: when
     * the test could begin with one more of each; `bound_min`: no day is over before that
     */
    public function __invoke(
        #[Items('joints', DayJoint::class, atMost: 80)] array $joints,
        #[Number('crews', min: 1, max: 20, whole: true)] float $crews = 1.0,
        #[Number('clamps', min: 1, max: 50, whole: true, about: 'sets')] float $clamps = 1.0,
        #[Number('boxes', min: 1, max: 20, whole: true)] float $boxes = 1.0,
        #[Measure('move_min', Quantity::Time, min: 0, max: 600, about: 'to take clamps to the next joint')] float $move = 0.0,
        #[Measure('test_wait_min', Quantity::Time, min: 0, max: 20000, about: 'from the last cold joint to pressure')]
        float $wait = 0.0,
        #[Rows('pauses', ['from_min', 'to_min'], atLeast: 0)] array $pauses = [],
        #[Measure('shift_min', Quantity::Time, above: 0, max: 2880, about: 'length of the shift')] ?float $shift = null,
    ): array {
        $means = new DayMeans((int) $crews, (int) $clamps, (int) $boxes, $move, self::pauses($pauses));
        $search = new DaySearch($joints, $means);
        [$day, $isExact] = $search->run();
        $rows = $this->rows($joints, $day);
        $test = $day->cold + $wait;
        $more = [];
        $oneMore = ['clamps' => $means->with(clamps: 1), 'crew' => $means->with(crews: 1), 'box' => $means->with(boxes: 1)];
        foreach ($oneMore as $what => $with) {
            $more[$what] = ((new DaySearch($joints, $with))->run()[0]->cold + $wait) / self::MINUTE;
        }

        return [
            'joints' => $rows,
            'cold_min' => $day->cold / self::MINUTE,
            'test_from_min' => $test / self::MINUTE,
            'after_shift' => $shift === null ? null : $test > $shift + 1e-6,
            'held_up_by' => $this->heldUpBy($test / self::MINUTE, $more),
            ...$this->uses($joints, $day, $means),
            'waits_min' => array_sum(array_column($rows, 'waits_min')),
            'exact' => $isExact,
            'bound_min' => $search->bound() / self::MINUTE,
            'one_more' => array_map(fn (string $what): array => ['of' => $what, 'test_from_min' => $more[$what]], array_keys($more)),
        ];
    }

    /**
     * @param  list<list<float>>  $given
     * @return list<array{float, float}> s
     */
    private static function pauses(array $given): array
    {
        $pauses = [];
        foreach ($given as $i => [$from, $to]) {
            $before = $pauses[$i - 1][1] ?? 0.0;
            if ($to <= $from || $from * self::MINUTE < $before - 1e-9) {
                $row = $i + 1;
                throw Refused::field('pauses', "pauses, row {$row}: a pause ends after it begins, and begins after the one before.");
            }
            $pauses[] = [$from * self::MINUTE, $to * self::MINUTE];
        }

        return $pauses;
    }

    /**
     * @param  non-empty-list<DayJoint>  $joints
     * @return list<array<string, mixed>> minutes
     */
    private function rows(array $joints, DayState $day): array
    {
        $acts = [];
        foreach ($day->done as [$joint, $act, $from, $to, $cold]) {
            $acts[$joint][$act] = [$from, $to, $cold];
        }
        $rows = [];
        foreach ($joints as $i => $joint) {
            [$from, $ready] = $acts[$i]['prepare'];
            [$fit, $fused, $cold] = $acts[$i]['fuse'];
            $rows[] = [
                'joint' => $joint->joint,
                'prepare_from_min' => $from / self::MINUTE,
                'ready_min' => $ready / self::MINUTE,
                'waits_min' => ($fit - $ready) / self::MINUTE,
                'fit_from_min' => $fit / self::MINUTE,
                'fuse_from_min' => ($fused - $joint->fuse) / self::MINUTE,
                'fused_min' => $fused / self::MINUTE,
                'cold_min' => $cold / self::MINUTE,
            ];
        }

        return $rows;
    }

    /**
     * What one more of would help most; where none helps, the cooling itself.
     *
     * @param  array<string, float>  $more  minutes
     * @return list<string>
     */
    private function heldUpBy(float $test, array $more): array
    {
        asort($more);
        $best = array_key_first($more);

        return $best !== null && $more[$best] < $test - 1e-6 ? [$best] : ['cooling'];
    }

    /**
     * @param  non-empty-list<DayJoint>  $joints
     * @return array{clamps_use_pct: float, crew_use_pct: float, box_use_pct: float} of the time until all is cold
     */
    private function uses(array $joints, DayState $day, DayMeans $means): array
    {
        $share = fn (callable $of, int $count): float => 100 * array_sum(array_map($of, $joints)) / max(1e-9, $day->cold * $count);

        return [
            'clamps_use_pct' => $share(fn (DayJoint $j): float => $j->fit + $j->fuse + $j->cool, $means->clamps),
            'crew_use_pct' => $share(fn (DayJoint $j): float => $j->prepare + $j->fit + $j->fuse, $means->crews),
            'box_use_pct' => $share(fn (DayJoint $j): float => $j->fuse, $means->boxes),
        ];
    }
}
