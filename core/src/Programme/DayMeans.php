<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

/** What there is for the day, and when nobody works. Times in s from its beginning. */
final readonly class DayMeans
{
    /**
     * @param  int  $clamps  sets; 0: these joints need none
     * @param  int  $boxes  0: these joints need none
     * @param  float  $move  to take clamps from one joint to the next, s
     * @param  list<array{float, float}>  $pauses  from, to, s, rising
     * @param  int|null  $ahead  so many joints stand prepared at a time and no more; null: as many as there are
     * @param  int  $plant  machines that open the trench and set the pipe; 0: nobody waits for any
     * @param  list<float>  $clampsFree  when each set that is still at work comes free, s; the others are free
     */
    public function __construct(
        public int $crews,
        public int $clamps,
        public int $boxes,
        public float $move,
        public array $pauses = [],
        public ?int $ahead = null,
        private array $clampsFree = [],
        public int $plant = 0,
    ) {
    }

    /** The first moment from which hands are free for so long. */
    public function open(float $from, float $for): float
    {
        foreach ($this->pauses as [$begins, $ends]) {
            if ($from < $ends && $from + $for > $begins + 1e-9) {
                $from = max($from, $ends);
            }
        }

        return $from;
    }

    /** No pair of hands has worked for so long before this, s. */
    public function worked(float $for): float
    {
        foreach ($this->pauses as [$begins, $ends]) {
            if ($for > $begins + 1e-9) {
                $for += $ends - $begins;
            }
        }

        return $for;
    }

    public function with(int $crews = 0, int $clamps = 0, int $boxes = 0, int $plant = 0): self
    {
        return new self(
            $this->crews + $crews,
            $this->clamps + $clamps,
            $this->boxes + $boxes,
            $this->move,
            $this->pauses,
            $this->ahead,
            $this->clampsFree,
            $this->plant + $plant,
        );
    }

    /** The same, where no hand can work from the beginning until then, s. */
    public function stoppedUntil(float $until): self
    {
        $pauses = [[0.0, $until]];
        foreach ($this->pauses as [$from, $to]) {
            $last = \count($pauses) - 1;
            if ($from <= $pauses[$last][1] + 1e-9) {
                $pauses[$last][1] = max($pauses[$last][1], $to);
            } else {
                $pauses[] = [$from, $to];
            }
        }

        return new self(
            $this->crews,
            $this->clamps,
            $this->boxes,
            $this->move,
            $pauses,
            $this->ahead,
            $this->clampsFree,
            $this->plant,
        );
    }

    /** @return list<float> when each set is free, s, rising */
    public function clampsFree(): array
    {
        $free = [...$this->clampsFree];
        sort($free);
        $free = \array_slice(array_pad($free, $this->clamps, 0.0), 0, $this->clamps);
        sort($free);

        return $free;
    }
}
