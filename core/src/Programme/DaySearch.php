<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

/**
 * Joints in the order of the line: each is prepared by a crew, then fitted into clamps and fused with a box, then cools in its clamps.
 * What is to be decided is only whether the crew that is free prepares the next joint, fuses one that waits, or makes the next of what
 * hangs on the line. All ways are followed together, one act after the other; of two that have come equally far the one that is later
 * with everything is dropped.
 */
final readonly class DaySearch
{
    /** Ways that are followed at a time: first few, then of a short day all that can still be sooner. */
    private const FEW = 12;

    private const FEWER = 4;

    private const LONG = 30;

    /** Of ways that have come differently far, so many times those that have come equally far. */
    private const GROUPS = 3;

    private const MANY = 1000;

    /** Joints of a short day. */
    private const SHORT = 14;

    /** @var list<float> when the trench is open for each joint, s */
    private array $opened;

    /** @var list<int|null> of each that hangs on the line: place of the joint that is cold before */
    private array $hosts;

    /** @var array<int, int> by the place of a joint: the last that waits for it */
    private array $lastOn;

    /** What is left of the day from each joint on, and of each that hangs on the line. */
    private WorkLeft $left;

    /**
     * @param  list<DayJoint>  $joints
     * @param  list<DayAttached>  $attached  in the order in which they are made; of the two lists one holds something
     */
    public function __construct(private array $joints, private DayMeans $means, private array $attached = [])
    {
        $this->opened = array_column(OpenTrench::times($joints, $means), 1);
        $places = array_flip(array_map(fn (DayJoint $joint): string => $joint->joint, $joints));
        $this->hosts = array_map(fn (DayAttached $one): ?int => $places[$one->host] ?? null, $attached);
        $lastOn = [];
        foreach ($this->hosts as $i => $host) {
            if ($host !== null) {
                $lastOn[$host] = $i;
            }
        }
        $this->lastOn = $lastOn;
        $this->left = new WorkLeft($joints, $attached);
    }

    /** @return array{DayState, bool} the day that is over first; whether no other can be over before it */
    public function run(): array
    {
        [$day, $isWhole] = $this->pass($this->acts() > self::LONG ? self::FEWER : self::FEW, INF);
        if ($isWhole || $day === null || $day->cold <= $this->bound() + 1e-6) {
            return [$day ?? throw new \LogicException('A day without a way'), true];
        }
        if ($this->acts() > self::SHORT) {
            return [$day, false];
        }
        [$sooner, $isWhole] = $this->pass(self::MANY, $day->cold);

        return [$sooner ?? $day, $isWhole];
    }

    private function acts(): int
    {
        return \count($this->joints) + \count($this->attached);
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
        for ($act = 0; $act < 2 * \count($this->joints) + \count($this->attached); $act++) {
            $next = [];
            foreach ($states as $state) {
                foreach ([$this->prepare($state), $this->fuse($state), $this->attach($state)] as $then) {
                    if ($then !== null && ($known === INF || $this->atLeast($then) < $known - 1e-6)) {
                        $next["{$then->prepared}/{$then->attached}"][] = $then;
                    }
                }
            }
            $states = [];
            foreach ($next as $alike) {
                [$kept, $isAll] = $this->earliest($alike, $width);
                $isWhole = $isWhole && $isAll;
                array_push($states, ...$kept);
            }
            [$states, $isAll] = $this->hopeful($states, $width);
            $isWhole = $isWhole && $isAll;
        }
        usort($states, fn (DayState $a, DayState $b): int => $a->cold <=> $b->cold);

        return [$states[0] ?? null, $isWhole];
    }

    /**
     * Where much hangs on the line, ways that have come differently far are too many: those that can be over first are followed.
     *
     * @param  list<DayState>  $states
     * @return array{list<DayState>, bool} whether that is all of them
     */
    private function hopeful(array $states, int $width): array
    {
        $most = self::GROUPS * $width;
        if ($this->attached === [] || \count($states) <= $most) {
            return [$states, true];
        }
        $over = array_map(fn (DayState $state): array => [$this->atLeast($state), array_sum($state->crews)], $states);
        asort($over);

        return [array_map(fn (int $i): DayState => $states[$i], \array_slice(array_keys($over), 0, $most)), false];
    }

    /** No way from here on is over before this, s. */
    private function atLeast(DayState $state): float
    {
        $cool = $this->left->leastCool($state->fused, $state->attached);
        if ($cool === INF) {
            return $state->cold;
        }
        $clamped = $this->left->clamped($state->fused, $this->means->move);

        return max(
            $state->cold,
            self::shared($state->crews, $this->left->hands($state->prepared, $state->fused, $state->attached)) + $cool,
            // Of the last joint in each set of clamps the way to the next is not gone.
            self::shared($state->clamps, $clamped - $this->means->move * $this->means->clamps),
        );
    }

    /** No day is over before this, s: by the hands, by the clamps, by the box, by the plant, and by each joint for itself. */
    public function bound(): float
    {
        $least = $this->left->leastCool(0, 0);
        // No set is in use before the first joint is prepared.
        $first = $this->joints[0]->prepare ?? 0.0;
        $free = array_map(fn (float $from): float => max($from, $first), $this->means->clampsFree());
        $clamped = $this->left->clamped(0, 0.0) + $this->means->move * max(0, \count($this->joints) - $this->means->clamps);

        return max([
            $this->means->worked($this->left->hands(0, 0, 0) / $this->means->crews) + $least,
            $clamped > 0.0 ? self::shared($free, $clamped) : 0.0,
            $this->means->boxes === 0 ? 0.0 : $this->means->worked($this->left->powered() / $this->means->boxes) + $least,
            ...array_map(
                fn (DayJoint $joint, float $opened): float => max($opened, $joint->prepare) + $joint->clamped(),
                $this->joints,
                $this->opened,
            ),
            ...array_map(fn (DayAttached $one): float => $one->hands() + $one->cool, $this->attached),
        ]);
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
            FreeFrom::taken($state->crews, $from, $to),
            $state->clamps,
            $state->boxes,
            [...$state->ready, $to],
            $state->cold,
            $state->attached,
            $state->hosts,
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
        $earliest = max(
            $state->crews[0],
            $state->clamps[0] ?? 0.0,
            $state->ready[0],
            ($state->boxes[0] ?? 0.0) - $joint->fit,
            $this->opened[$state->fused],
        );
        $from = $this->means->open($earliest, $works);
        $to = $from + $works;
        $cold = $to + $joint->cool;

        return new DayState(
            $state->prepared,
            $state->fused + 1,
            FreeFrom::taken($state->crews, $from, $to),
            FreeFrom::taken($state->clamps, $from, $cold + $this->means->move),
            FreeFrom::taken($state->boxes, $from + $joint->fit, $to),
            \array_slice($state->ready, 1),
            max($state->cold, $cold),
            $state->attached,
            ($this->lastOn[$state->fused] ?? -1) >= $state->attached ? $state->hosts + [$state->fused => $cold] : $state->hosts,
            $state,
            [$state->fused, 'fuse', $from, $to, $cold],
        );
    }

    private function attach(DayState $state): ?DayState
    {
        $one = $this->attached[$state->attached] ?? null;
        $host = $this->hosts[$state->attached] ?? null;
        if ($one === null || $host !== null && $host >= $state->fused) {
            return null;
        }
        $unpowered = $one->prepare + $one->fit;
        $earliest = max($state->crews[0], $state->hosts[$host ?? -1] ?? 0.0, $one->fuse > 0 ? ($state->boxes[0] ?? 0.0) - $unpowered : 0.0);
        $from = $this->means->open($earliest, $one->hands());
        $to = $from + $one->hands();
        $hosts = $state->hosts;
        if ($host !== null && $this->lastOn[$host] === $state->attached) {
            unset($hosts[$host]);
        }

        return new DayState(
            $state->prepared,
            $state->fused,
            FreeFrom::taken($state->crews, $from, $to),
            $state->clamps,
            $one->fuse > 0 ? FreeFrom::taken($state->boxes, $from + $unpowered, $to) : $state->boxes,
            $state->ready,
            max($state->cold, $to + $one->cool),
            $state->attached + 1,
            $hosts,
            $state,
            [$state->attached, 'attach', $from, $to, $to + $one->cool],
        );
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
