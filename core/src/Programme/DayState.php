<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

/**
 * How far a day has come: so many joints prepared, so many of them fused, so many of what hangs on the line made, and when each crew,
 * clamp set and box is free again, s.
 *
 * An act: place in its list, what, from, to, cold at.
 *
 * @phpstan-type Act array{int, 'prepare'|'fuse'|'attach', float, float, float}
 */
final readonly class DayState
{
    /**
     * @param  list<float>  $crews  rising
     * @param  list<float>  $clamps  rising
     * @param  list<float>  $boxes  rising
     * @param  list<float>  $ready  when each joint that waits for clamps was prepared, in order
     * @param  float  $cold  when all that were fused are cold
     * @param  int  $attached  of what hangs on the line
     * @param  array<int, float>  $hosts  when each joint is cold on which something still waits, by its place in the line
     * @param  self|null  $before  what it follows from, by the act that was the last
     * @param  Act|null  $act
     */
    public function __construct(
        public int $prepared,
        public int $fused,
        public array $crews,
        public array $clamps,
        public array $boxes,
        public array $ready,
        public float $cold,
        public int $attached = 0,
        public array $hosts = [],
        private ?self $before = null,
        private ?array $act = null,
    ) {
    }

    /** @return list<Act> in the order of the acts */
    public function done(): array
    {
        $done = [];
        for ($state = $this; $state->act !== null; $state = $state->before ?? throw new \LogicException('An act that follows nothing')) {
            $done[] = $state->act;
        }

        return array_reverse($done);
    }

    /** No later with anything: what follows from the other can follow from this as soon. */
    public function isNoLater(self $other): bool
    {
        return self::all($this->crews, $other->crews) && self::all($this->clamps, $other->clamps)
            && self::all($this->boxes, $other->boxes) && self::all($this->ready, $other->ready)
            && self::all($this->hosts, $other->hosts) && $this->cold <= $other->cold + 1e-9;
    }

    /**
     * @param  array<int, float>  $a
     * @param  array<int, float>  $b
     */
    private static function all(array $a, array $b): bool
    {
        foreach ($a as $i => $time) {
            if ($time > $b[$i] + 1e-9) {
                return false;
            }
        }

        return true;
    }
}
