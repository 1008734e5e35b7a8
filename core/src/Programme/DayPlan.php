<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Numbers;
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
        'joints', 'attached', 'cold_min', 'test_from_min', 'after_shift', 'held_up_by', 'clamps_use_pct', 'crew_use_pct',
        'box_use_pct', 'plant_use_pct', 'waits_min', 'exact', 'bound_min', 'one_more', 'one_less', 'rain_costs_min',
    ],
    'Every order of acts, the joints in the order of the line; times are the procedure\'s and the crew\'s own',
    codes: ['held_up_by' => ['clamps', 'crew', 'box', 'plant', 'cooling', 'made']],
)]
final class DayPlan
{
    private const MINUTE = 60.0;

    /** Two weeks, minutes. */
    private const LATEST_MIN = 20000;

    /**
     * @param  list<DayJoint>  $joints  in the order of the line
     * @param  list<list<float>>  $pauses
     * @param  list<int|float>  $clampsFree  minutes
     * @param  list<DayAttached>  $attached  in the order in which they are made
     * @return array<string, mixed> minutes from the beginning; `waits_min`: joints stand prepared and wait, together; `one_more`,
     * `one_less`: when the test could begin with one more or fewer of each; `bound_min`: no day is over before that;
     * `rain_costs_min`: by how much the test moves when nobody can work for so long as was asked
     */
    public function __invoke(
        #[Items('joints', DayJoint::class, atLeast: 0, atMost: 400)] array $joints,
        #[Number('crews', min: 1, max: 20, whole: true)] float $crews = 1.0,
        #[Number('clamps', min: 0, max: 50, whole: true, about: 'sets; 0 where joints need none')] float $clamps = 1.0,
        #[Number('boxes', min: 0, max: 20, whole: true, about: '0 where joints need none')] float $boxes = 1.0,
        #[Measure('move_min', Quantity::Time, min: 0, max: 600, about: 'to take clamps to the next joint')] float $move = 0.0,
        #[Measure('test_wait_min', Quantity::Time, min: 0, max: 20000, about: 'from the last cold joint to pressure')]
        float $wait = 0.0,
        #[Rows('pauses', ['from_min', 'to_min'], atLeast: 0)] array $pauses = [],
        #[Measure('shift_min', Quantity::Time, above: 0, max: 2880, about: 'length of the shift')] ?float $shift = null,
        #[Number('ahead', min: 1, max: 50, whole: true, about: 'joints that may stand prepared')] ?float $ahead = null,
        #[Numbers('clamps_free_min', whole: false, about: 'sets that are still at work: free from')] array $clampsFree = [],
        #[Measure('not_before_min', Quantity::Time, min: 0, max: 20000, about: 'what is made already waits so long')]
        float $notBefore = 0.0,
        #[Measure('rain_min', Quantity::Time, above: 0, max: 2880, about: 'rain that stops work from the beginning')]
        ?float $rain = null,
        #[Items('attached', DayAttached::class, atLeast: 0, atMost: 200, about: 'saddles, restraints: no clamps of the line')]
        array $attached = [],
        #[Number('plant', min: 0, max: 20, whole: true, about: 'machines that open the trench; 0: nobody waits for any')]
        float $plant = 0.0,
    ): array {
        if ($joints === [] && $attached === []) {
            throw Refused::field('joints', 'joints and attached are both empty: there is nothing to plan.');
        }
        foreach ($joints as $i => $joint) {
            self::refuseWhatNothingDoes($joint, $i + 1, (int) $clamps, (int) $boxes, (int) $plant);
        }
        $names = array_map(fn (DayJoint $joint): string => $joint->joint, $joints);
        foreach ($attached as $i => $one) {
            if ($one->host !== '' && ! \in_array($one->host, $names, true)) {
                $row = $i + 1;
                throw Refused::field('attached', "attached, row {$row}: host \"{$one->host}\" is none of joints; empty: waits for none.");
            }
            if ($boxes < 1 && $one->fuse > 0) {
                throw Refused::field('boxes', 'attached, row '.($i + 1).', is fused: boxes must be 1 or more, not 0.');
            }
        }
        $means = new DayMeans(
            (int) $crews,
            (int) $clamps,
            (int) $boxes,
            $move,
            self::pauses($pauses),
            $ahead === null ? null : (int) $ahead,
            self::free($clampsFree, (int) $clamps),
            (int) $plant,
        );
        $search = new DaySearch($joints, $means, $attached);
        [$day, $isExact] = $search->run();
        $rows = $this->rows($joints, $day, $means);
        $testWith = fn (DayMeans $with): float => max($notBefore, (new DaySearch($joints, $with, $attached))->run()[0]->cold + $wait);
        $test = max($notBefore, $day->cold + $wait);
        // Of a long day each search is near to the best, and no more: more hands make none later, fewer none sooner.
        $more = array_map(fn (DayMeans $with): float => min($test, $testWith($with)) / self::MINUTE, self::more($means, $joints));
        $less = array_map(fn (DayMeans $with): float => max($test, $testWith($with)) / self::MINUTE, self::less($means));

        return [
            'joints' => $rows,
            'attached' => self::attached($attached, $day),
            'cold_min' => $day->cold / self::MINUTE,
            'test_from_min' => $test / self::MINUTE,
            'after_shift' => $shift === null ? null : $test > $shift + 1e-6,
            'held_up_by' => $notBefore > $day->cold + $wait + 1e-6 ? ['made'] : $this->heldUpBy($test / self::MINUTE, $more),
            ...$this->uses($joints, $attached, $day, $means),
            'waits_min' => array_sum(array_column($rows, 'waits_min')),
            'exact' => $isExact,
            'bound_min' => $search->bound() / self::MINUTE,
            'one_more' => self::each($more),
            'one_less' => self::each($less),
            'rain_costs_min' => $rain === null ? null : max(0.0, $testWith($means->stoppedUntil($rain)) - $test) / self::MINUTE,
        ];
    }

    /**
     * @param  list<DayJoint>  $joints
     * @return array<string, DayMeans>
     */
    private static function more(DayMeans $means, array $joints): array
    {
        $isOpened = array_filter($joints, fn (DayJoint $joint): bool => $joint->open > 0) !== [];

        return array_filter([
            'clamps' => $means->clamps > 0 ? $means->with(clamps: 1) : null,
            'crew' => $means->with(crews: 1),
            'box' => $means->boxes > 0 ? $means->with(boxes: 1) : null,
            'plant' => $isOpened ? $means->with(plant: 1) : null,
        ]);
    }

    /** @return array<string, DayMeans> of what there are two or more */
    private static function less(DayMeans $means): array
    {
        return array_filter([
            'clamps' => $means->clamps > 1 ? $means->with(clamps: -1) : null,
            'crew' => $means->crews > 1 ? $means->with(crews: -1) : null,
            'box' => $means->boxes > 1 ? $means->with(boxes: -1) : null,
            'plant' => $means->plant > 1 ? $means->with(plant: -1) : null,
        ]);
    }

    /**
     * @param  array<string, float>  $tests  minutes
     * @return list<array{of: string, test_from_min: float}>
     */
    private static function each(array $tests): array
    {
        return array_map(fn (string $what): array => ['of' => $what, 'test_from_min' => $tests[$what]], array_keys($tests));
    }

    /** @param  int  $row  from 1 */
    private static function refuseWhatNothingDoes(DayJoint $joint, int $row, int $clamps, int $boxes, int $plant): void
    {
        if ($plant === 0 && $joint->open > 0) {
            throw Refused::field('plant', "joints, row {$row}, waits for an open trench: plant must be 1 or more, not 0.");
        }
        if ($boxes === 0 && $joint->fuse > 0) {
            throw Refused::field('boxes', "joints, row {$row}, is fused: boxes must be 1 or more, not 0.");
        }
        if ($clamps === 0 && $joint->cool > 0) {
            throw Refused::field('clamps', "joints, row {$row}, cools in clamps: clamps must be 1 or more, not 0.");
        }
    }

    /**
     * @param  list<int|float>  $given  minutes
     * @return list<float> s
     */
    private static function free(array $given, int $clamps): array
    {
        if (\count($given) > $clamps) {
            throw Refused::field('clamps_free_min', "clamps_free_min names more sets than there are: {$clamps}.");
        }
        foreach ($given as $from) {
            if ($from < 0 || $from > self::LATEST_MIN) {
                throw Refused::field('clamps_free_min', 'clamps_free_min must lie between 0 and '.self::LATEST_MIN.' minutes.');
            }
        }

        return array_map(fn (int|float $from): float => $from * self::MINUTE, $given);
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
     * @param  list<DayJoint>  $joints
     * @return list<array<string, mixed>> minutes; a joint that waits for no plant has no `open_from_min` and no `opened_min`
     */
    private function rows(array $joints, DayState $day, DayMeans $means): array
    {
        $prepared = $joined = [];
        foreach ($day->done() as [$i, $act, $from, $to, $cold]) {
            match ($act) {
                'prepare' => $prepared[$i] = [$from, $to],
                'fuse' => $joined[$i] = [$from, $to, $cold],
                'attach' => null,
            };
        }
        $opened = OpenTrench::times($joints, $means);
        $rows = [];
        foreach ($joints as $i => $joint) {
            [$from, $ready] = $prepared[$i];
            [$fit, $fused, $cold] = $joined[$i];
            $rows[] = [
                'joint' => $joint->joint,
                'open_from_min' => $joint->open > 0 ? $opened[$i][0] / self::MINUTE : null,
                'opened_min' => $joint->open > 0 ? $opened[$i][1] / self::MINUTE : null,
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
     * @param  list<DayAttached>  $attached
     * @return list<array<string, mixed>> minutes
     */
    private static function attached(array $attached, DayState $day): array
    {
        $rows = [];
        foreach ($day->done() as [$i, $act, $from, $to, $cold]) {
            if ($act === 'attach') {
                $rows[] = [
                    'joint' => $attached[$i]->joint,
                    'from_min' => $from / self::MINUTE,
                    'fuse_from_min' => ($to - $attached[$i]->fuse) / self::MINUTE,
                    'joined_min' => $to / self::MINUTE,
                    'cold_min' => $cold / self::MINUTE,
                ];
            }
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
     * @param  list<DayJoint>  $joints
     * @param  list<DayAttached>  $attached
     * @return array<string, float|null> of the time until all is cold, %; null: there is none of it, or none is used
     */
    private function uses(array $joints, array $attached, DayState $day, DayMeans $means): array
    {
        $sum = fn (callable $of, array ...$lists): float => (float) array_sum(array_map($of, array_merge(...$lists)));
        $share = fn (float $used, int $count): ?float => $count === 0 ? null : 100 * $used / max(1e-9, $day->cold * $count);

        return [
            'clamps_use_pct' => $share($sum(fn (DayJoint $joint): float => $joint->clamped(), $joints), $means->clamps),
            'crew_use_pct' => $share($sum(fn (DayJoint|DayAttached $one): float => $one->hands(), $joints, $attached), $means->crews),
            'box_use_pct' => $share($sum(fn (DayJoint|DayAttached $one): float => $one->fuse, $joints, $attached), $means->boxes),
            'plant_use_pct' => $share($sum(fn (DayJoint $joint): float => $joint->open, $joints), $means->plant),
        ];
    }
}
