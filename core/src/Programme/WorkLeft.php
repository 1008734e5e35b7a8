<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

/** What of a day's work is still to be done, s: summed up once, from each joint on to the last. */
final readonly class WorkLeft
{
    /** @var list<float> from this joint on: before it is fitted */
    private array $prepare;

    /** @var list<float> hands that fit and fuse */
    private array $fit;

    /** @var list<float> in clamps, without the way from one to the next */
    private array $clamped;

    /** @var list<float> the shortest cooling */
    private array $cool;

    /** @var list<float> of what hangs on the line: hands */
    private array $attached;

    /** @var list<float> of what hangs on the line: the shortest cooling */
    private array $attachedCool;

    private float $powered;

    /**
     * @param  list<DayJoint>  $joints
     * @param  list<DayAttached>  $attached
     */
    public function __construct(private array $joints, array $attached)
    {
        $this->prepare = self::sums(array_map(fn (DayJoint $joint): float => $joint->prepare, $joints));
        $this->fit = self::sums(array_map(fn (DayJoint $joint): float => $joint->fit + $joint->fuse, $joints));
        $this->clamped = self::sums(array_map(fn (DayJoint $joint): float => $joint->clamped(), $joints));
        $this->cool = self::least(array_map(fn (DayJoint $joint): float => $joint->cool, $joints));
        $this->attached = self::sums(array_map(fn (DayAttached $one): float => $one->hands(), $attached));
        $this->attachedCool = self::least(array_map(fn (DayAttached $one): float => $one->cool, $attached));
        $this->powered = (float) array_sum(array_map(fn (DayJoint|DayAttached $one): float => $one->fuse, [...$joints, ...$attached]));
    }

    public function hands(int $prepared, int $fused, int $attached): float
    {
        return $this->prepare[$prepared] + $this->fit[$fused] + $this->attached[$attached];
    }

    public function clamped(int $fused, float $move): float
    {
        return $this->clamped[$fused] + $move * (\count($this->joints) - $fused);
    }

    /** INF: nothing is left. */
    public function leastCool(int $fused, int $attached): float
    {
        return min($this->cool[$fused], $this->attachedCool[$attached]);
    }

    public function powered(): float
    {
        return $this->powered;
    }

    /**
     * @param  list<float>  $each
     * @return list<float> from each on to the last; then 0
     */
    private static function sums(array $each): array
    {
        $sums = [0.0];
        foreach (array_reverse($each) as $one) {
            $sums[] = end($sums) + $one;
        }

        return array_reverse($sums);
    }

    /**
     * @param  list<float>  $each
     * @return list<float> from each on to the last; then INF
     */
    private static function least(array $each): array
    {
        $least = [INF];
        foreach (array_reverse($each) as $one) {
            $least[] = min(end($least), $one);
        }

        return array_reverse($least);
    }
}
