<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

/**
 * Joints in the order of the line: each is prepared by a crew, then fitted into clamps and fused with a box, then cools in its clamps.
 * What is to be decided is only whether the crew that is free prepares the next joint or fuses one that waits. All ways are followed
 * together, one act after the other; of two that have come equally far the one that is later with everything is dropped.
 */
final readonly class DaySearch
{
    /** Ways that are followed at a time: first few, then of a short day all that can still be sooner. */
    private const FEW = 12;

    private const FEWER = 4;

    private const LONG = 30;

    private const MANY = 1000;

    /** Joints of a short day. */
    private const SHORT = 14;

    /** @param  non-empty-list<DayJoint>  $joints */
    public function __construct(private array $joints, private DayMeans $means)
    {
    }

    /** @return array{DayState, bool} the day that is over first; whether no other can be over before it */
    public function run(): array
    {
        [$day, $isWhole] = $this->pass(\count($this->joints) > self::LONG ? self::FEWER : self::FEW, INF);
        if ($isWhole || $day === null || $day->cold <= $this->bound() + 1e-6) {
            return [$day ?? throw new \LogicException('A day without a way'), true];
        }
        if (\count($this->joints) > self::SHORT) {
            return [$day, false];
        }
        [$sooner, $isWhole] = $this->pass(self::MANY, $day->cold);

        return [$sooner ?? $day, $isWhole];
    }

    /**
     * @param  float  $known  s: a way that is not over before is no longer followed
     * @return array{DayState|null, bool} whether every way was followed
     */
    private function pass(int $width, float $known): array
    {
        $none = fn (int $count): array => array_fill(0, $count, 0.0);
        $states = [
            new DayState(0, 0, $none($this->means->crews), $this->means->clampsFree(), $none($this->means->boxes), [], 0.0),
        ];
        $isWhole = true;
        for ($act = 0; $act < 2 * \count($this->joints); $act++) {
            $next = [];
            foreach ($states as $state) {
                foreach ([$this->prepare($state), $this->fuse($state)] as $then) {
                    if ($then !== null && ($known === INF || $this->atLeast($then) < $known - 1e-6)) {
                        $next[$then->prepared][] = $then;
                    }
                }
            }
            $states = [];
            foreach ($next as $alike) {
                [$kept, $isAll] = $this->earliest($alike, $width);
                $isWhole = $isWhole && $isAll;
                array_push($states, ...$kept);
            }
        }
        usort($states, fn (DayState $a, DayState $b): int => $a->cold <=> $b->cold);

        return [$states[0] ?? null, $isWhole];
    }

    /** No way from here on is over before this, s. */
    private function atLeast(DayState $state): float
    {
        $hands = 0.0;
        $clamped = 0.0;
        $cool = INF;
        foreach ($this->joints as $i => $joint) {
            $hands += $i >= $state->prepared ? $joint->prepare : 0.0;
            if ($i >= $state->fused) {
                $hands += $joint->fit + $joint->fuse;
                $clamped += $joint->fit + $joint->fuse + $joint->cool + $this->means->move;
                $cool = min($cool, $joint->cool);
            }
        }
        if ($cool === INF) {
            return $state->cold;
        }

        return max(
            $state->cold,
            self::shared($state->crews, $hands) + $cool,
            // Of the last joint in each set of clamps the way to the next is not gone.
            self::shared($state->clamps, $clamped - $this->means->move * $this->means->clamps),
        );
    }

    /** No day is over before this, s: by the hands, by the clamps, by the box, and by each joint for itself. */
    public function bound(): float
    {
        $sum = fn (callable $of): float => (float) array_sum(array_map($of, $this->joints));
        $least = min(array_map(fn (DayJoint $joint): float => $joint->cool, $this->joints));
        $alone = max(array_map(fn (DayJoint $j): float => $j->prepare + $j->fit + $j->fuse + $j->cool, $this->joints));
        $count = \count($this->joints);

        $clamped = $sum(fn (DayJoint $j): float => $j->fit + $j->fuse + $j->cool)
            + $this->means->move * max(0, $count - $this->means->clamps);
        // No set is in use before the first joint is prepared.
        $free = array_map(fn (float $from): float => max($from, $this->joints[0]->prepare), $this->means->clampsFree());

        return max(
            $this->means->worked($sum(fn (DayJoint $j): float => $j->prepare + $j->fit + $j->fuse) / $this->means->crews) + $least,
            self::shared($free, $clamped),
            $this->means->boxes === 0
                ? 0.0
                : $this->means->worked($sum(fn (DayJoint $j): float => $j->fuse) / $this->means->boxes) + $least,
            $alone,
        );
    }

    /**
     * When so much work is done at the earliest by all together, each from when it is free on.
     *
     * @param  list<float>  $free  s, rising; none: nothing is held
     */
    private static function shared(array $free, float $work): float
    {
        $done = 0.0;
        $sum = 0.0;
        foreach ($free as $i => $from) {
            $sum += $from;
            $done = ($sum + $work) / ($i + 1);
            if ($done <= ($free[$i + 1] ?? INF)) {
                break;
            }
        }

        return $done;
    }

    private function prepare(DayState $state): ?DayState
    {
        $joint = $this->joints[$state->prepared] ?? null;
        if ($joint === null || $this->means->ahead !== null && \count($state->ready) >= $this->means->ahead) {
            return null;
        }
        $from = $this->means->open($state->crews[0], $joint->prepare);
        $to = $from + $joint->prepare;

        return new DayState(
            $state->prepared + 1,
            $state->fused,
            self::taken($state->crews, $from, $to),
            $state->clamps,
            $state->boxes,
            [...$state->ready, $to],
            $state->cold,
            $state,
            [$state->prepared, 'prepare', $from, $to, $to],
        );
    }

    private function fuse(DayState $state): ?DayState
    {
        if ($state->ready === []) {
            return null;
        }
        $joint = $this->joints[$state->fused];
        $works = $joint->fit + $joint->fuse;
        $earliest = max($state->crews[0], $state->clamps[0] ?? 0.0, $state->ready[0], ($state->boxes[0] ?? 0.0) - $joint->fit);
        $from = $this->means->open($earliest, $works);
        $to = $from + $works;
        $cold = $to + $joint->cool;

        return new DayState(
            $state->prepared,
            $state->fused + 1,
            self::taken($state->crews, $from, $to),
            self::taken($state->clamps, $from, $cold + $this->means->move),
            self::taken($state->boxes, $from + $joint->fit, $to),
            \array_slice($state->ready, 1),
            max($state->cold, $cold),
            $state,
            [$state->fused, 'fuse', $from, $to, $cold],
        );
    }

    /**
     * Of those that are free by then the one that became so last is taken: the others may still do something before a pause.
     *
     * @param  list<float>  $free  rising
     * @return list<float>
     */
    private static function taken(array $free, float $from, float $until): array
    {
        if ($free === []) {
            return [];
        }
        $last = 0;
        foreach ($free as $i => $time) {
            if ($time <= $from + 1e-9) {
                $last = $i;
            }
        }
        $free[$last] = $until;
        sort($free);

        return $free;
    }

    /**
     * @param  non-empty-list<DayState>  $states  that have come equally far
     * @return array{list<DayState>, bool} those that no other is no later than; whether that is all of them
     */
    private function earliest(array $states, int $width): array
    {
        $late = array_map(fn (DayState $state): float => array_sum($state->clamps) + array_sum($state->crews), $states);
        asort($late);
        $kept = [];
        foreach (array_keys($late) as $i) {
            foreach ($kept as $other) {
                if ($other->isNoLater($states[$i])) {
                    continue 2;
                }
            }
            if (\count($kept) === $width) {
                return [$kept, false];
            }
            $kept[] = $states[$i];
        }

        return [$kept, true];
    }
}
