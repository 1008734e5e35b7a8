<?php

namespace App\Programme;

use App\Models\Joint;
use Diastoma\Core\Programme\ActTime;
use Diastoma\Core\Programme\Shift;
use Illuminate\Support\Collection;

/** Days that were planned: what the core says in minutes from now, as times of the place. */
final readonly class PlannedDay
{
    private const MINUTE = 60;

    /** What no day within sight holds, minutes: an act is longer than any spell of work, or the end is too far. */
    private const OUT_OF_SIGHT_MIN = 120 * 1440;

    /**
     * @param  Collection<int, Joint>  $left  in the order of the line, as far as they were planned
     * @param  array<string, array<string, ActTime>>  $times  by id of the joint, by act
     * @param  list<array{float, float}>  $pauses  s from now
     * @param  array<string, mixed>|null  $plan  null: nothing is left, or it is not known how long something takes
     * @param  float  $rest  from the last cold joint to the test, min
     * @param  \DateTimeImmutable  $madeFrom  what is made already may be tested from then on
     * @param  list<float>  $atWork  minutes until each set of clamps at work is free
     * @param  Collection<int, Joint>  $toHang  what hangs on the line, in its order, as far as it was planned
     * @param  ActTime  $test  how long the test takes
     */
    public function __construct(
        public \DateTimeImmutable $now,
        public Shift $shift,
        private Collection $left,
        private array $times,
        private array $pauses,
        private ?array $plan,
        private float $rest,
        private \DateTimeImmutable $madeFrom,
        private array $atWork,
        private Collection $toHang,
        private ActTime $test,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $missing = PlanDay::missing($this->times);
        $test = $this->testFrom();

        return [
            'now' => self::iso($this->now),
            'acts' => array_map(fn (ActTime $time) => $time->toArray(), $this->acts()),
            'missing' => $missing,
            'joints' => $this->joints(),
            'attached' => $this->attached(),
            'pauses' => $this->pausesInSight(),
            'test_from' => self::iso($test),
            'test_at' => self::iso($this->testAt()),
            'test' => $this->test->toArray(),
            'test_to' => self::iso($this->testTo()),
            'test_fits' => $this->test->min === null || $test === null ? null : $this->room($test) !== null,
            'today_to' => $this->todayTo(),
            'held_up_by' => $this->plan['held_up_by'] ?? ($missing === [] && $this->madeFrom > $this->now ? ['made'] : []),
            'one_more' => $this->tests('one_more'),
            'one_less' => $this->tests('one_less'),
            'rain_costs_min' => $this->plan['rain_costs_min'] ?? null,
            'clamps_use_pct' => $this->plan['clamps_use_pct'] ?? null,
            'crew_use_pct' => $this->plan['crew_use_pct'] ?? null,
            'box_use_pct' => $this->plan['box_use_pct'] ?? null,
            'plant_use_pct' => $this->opens() ? $this->plan['plant_use_pct'] ?? null : null,
            'waits_min' => $this->plan['waits_min'] ?? null,
            'exact' => $this->plan['exact'] ?? null,
            'no_sooner_than' => $this->plan === null ? null : $this->at($this->plan['bound_min'] + $this->rest),
            'clamps_at_work' => \count($this->atWork),
        ];
    }

    /** @return list<ActTime> of the last joint: those before it may be half done */
    private function acts(): array
    {
        return array_values($this->times[array_key_last($this->times) ?? ''] ?? []);
    }

    /** Null: nobody can tell. */
    public function testFrom(): ?\DateTimeImmutable
    {
        if ($this->plan !== null) {
            return $this->moment($this->plan['test_from_min']);
        }

        return $this->left->isEmpty() && $this->toHang->isEmpty() ? $this->madeFrom : null;
    }

    /** When somebody is there to begin it, and stays until it is over; one that is longer than any day of work begins as soon as it may. */
    public function testAt(): ?\DateTimeImmutable
    {
        $test = $this->testFrom();

        return $test === null ? null : $this->room($test) ?? $this->shift->workFrom($test);
    }

    /** Null: nobody can tell. */
    private function testTo(): ?\DateTimeImmutable
    {
        $at = $this->testAt();

        return $at === null || $this->test->min === null ? null : self::after($at, $this->test->min);
    }

    private function room(\DateTimeImmutable $test): ?\DateTimeImmutable
    {
        return $this->shift->roomFor($test, ($this->test->min ?? 0.0) * self::MINUTE);
    }

    private function opens(): bool
    {
        return array_filter(array_column($this->plan['joints'] ?? [], 'opened_min'), fn (?float $min): bool => $min !== null) !== [];
    }

    /** @return list<array{joint: Joint, cold: \DateTimeImmutable|null, joined: \DateTimeImmutable|null}> as planned */
    public function rows(): array
    {
        $rows = [];
        foreach ($this->plan['joints'] ?? [] as $i => $row) {
            $rows[] = [
                'joint' => $this->left[$i], 'joined' => $this->moment($row['fused_min']), 'cold' => $this->moment($row['cold_min']),
            ];
        }

        return $rows;
    }

    /** @return list<array<string, mixed>> */
    private function joints(): array
    {
        $joints = [];
        foreach ($this->plan['joints'] ?? [] as $i => $row) {
            $joint = $this->left[$i];
            $joints[] = [
                // What is not there yet is found at the joint in whose place it comes.
                'id' => $joint->exists ? $joint->id : $joint->replaces_id,
                'number' => $joint->number, 'chainage_m' => $joint->chainage_m, 'begun' => $joint->state !== 'planned',
                'open_from' => $row['open_from_min'] === null ? null : $this->at($row['open_from_min']),
                'opened_at' => $row['opened_min'] === null ? null : $this->at($row['opened_min']),
                'prepare_from' => $this->at($row['prepare_from_min']), 'ready_at' => $this->at($row['ready_min']),
                'fit_from' => $this->at($row['fit_from_min']), 'fuse_from' => $this->at($row['fuse_from_min']),
                'joined_at' => $this->at($row['fused_min']), 'cold_at' => $this->at($row['cold_min']), 'waits_min' => $row['waits_min'],
            ];
        }

        return $joints;
    }

    /** @return list<array<string, mixed>> in the order in which they are made */
    private function attached(): array
    {
        $rows = [];
        foreach ($this->plan['attached'] ?? [] as $i => $row) {
            $joint = $this->toHang[$i];
            $rows[] = [
                'id' => $joint->id, 'number' => $joint->number, 'chainage_m' => $joint->chainage_m,
                'prepare_from' => $this->at($row['from_min']), 'fuse_from' => $this->at($row['fuse_from_min']),
                'joined_at' => $this->at($row['joined_min']), 'cold_at' => $this->at($row['cold_min']),
            ];
        }

        return $rows;
    }

    /** How many of what hangs on the line were planned. */
    public function hung(): int
    {
        return $this->toHang->count();
    }

    /** @return list<array{from: string, to: string}> those between the acts that are planned */
    private function pausesInSight(): array
    {
        $until = $this->plan === null ? 0.0 : ($this->plan['test_from_min'] ?? 0.0) * self::MINUTE;
        $pauses = [];
        foreach ($this->pauses as [$from, $to]) {
            if ($from <= $until && $to < self::OUT_OF_SIGHT_MIN * self::MINUTE) {
                $pauses[] = ['from' => (string) $this->at($from / self::MINUTE), 'to' => (string) $this->at($to / self::MINUTE)];
            }
        }

        return $pauses;
    }

    /** @return list<array{of: string, test_from: string|null}> */
    private function tests(string $which): array
    {
        /** @var list<array{of: string, test_from_min: float}> $rows */
        $rows = $this->plan[$which] ?? [];

        return array_map(fn (array $row): array => ['of' => $row['of'], 'test_from' => $this->at($row['test_from_min'])], $rows);
    }

    /**
     * Where the whole cannot be tested today: the last joint to which a test can begin within today's shift.
     *
     * @return array{number: string, chainage_m: float, test_from: string}|null null: the whole can, or nothing can
     */
    private function todayTo(): ?array
    {
        $end = $this->shift->endOf($this->now);
        $test = $this->testFrom();
        if ($end === null || $test === null || $test <= $end || $this->madeFrom > $end) {
            return null;
        }
        $last = null;
        $from = $this->madeFrom;
        foreach ($this->rows() as $row) {
            $cold = $this->coldTo($row['joint']->chainage_m, $row['cold']);
            $tested = $cold === null ? null : self::after($cold, $this->rest);
            if ($tested === null || max($from, $tested) > $end) {
                break;
            }
            $from = max($from, $tested);
            $last = ['number' => $row['joint']->number, 'chainage_m' => $row['joint']->chainage_m, 'test_from' => self::iso($from)];
        }

        return $last;
    }

    /** When a joint is cold, and what hangs on the line up to it. */
    private function coldTo(float $chainage, ?\DateTimeImmutable $cold): ?\DateTimeImmutable
    {
        foreach ($this->plan['attached'] ?? [] as $i => $row) {
            $hung = $this->moment($row['cold_min']);
            if ($cold !== null && $this->toHang[$i]->chainage_m <= $chainage) {
                $cold = $hung === null ? null : max($cold, $hung);
            }
        }

        return $cold;
    }

    private function at(float $min): ?string
    {
        return self::iso($this->moment($min));
    }

    private function moment(float $min): ?\DateTimeImmutable
    {
        return $min >= self::OUT_OF_SIGHT_MIN ? null : self::after($this->now, $min);
    }

    private static function after(\DateTimeImmutable $from, float $min): \DateTimeImmutable
    {
        return $from->setTimestamp($from->getTimestamp() + (int) round($min * self::MINUTE));
    }

    /** @return ($at is null ? null : string) */
    public static function iso(?\DateTimeImmutable $at): ?string
    {
        return $at?->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }
}
