<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

/** A trench across: a trapezoid, upright or widening upwards, with a round pipe in it. Heights above the trench bottom, m. */
final readonly class CrossSection
{
    /**
     * @param  float  $width  at the bottom, m
     * @param  float  $slope  run for each metre of rise
     * @param  float  $radius  of the pipe, m
     * @param  float  $axis  height of its axis, m
     */
    public function __construct(public float $width, public float $slope, public float $radius, public float $axis)
    {
    }

    /** Area of the open trench, m². */
    public function openBetween(float $from, float $to): float
    {
        return ($to - $from) * ($this->width + $this->slope * ($from + $to));
    }

    /** The same less what the pipe fills of it, m². */
    public function soilBetween(float $from, float $to): float
    {
        // What is left of a difference by rounding is no soil.
        return max(0.0, $this->openBetween($from, $to) - ($this->pipeUpTo($to) - $this->pipeUpTo($from)));
    }

    public function widthAt(float $height): float
    {
        return $this->width + 2 * $this->slope * $height;
    }

    private function pipeUpTo(float $height): float
    {
        $r = $this->radius;
        $h = max(0.0, min(2 * $r, $height - $this->axis + $r));

        return $r ** 2 * acos(max(-1.0, min(1.0, ($r - $h) / $r))) - ($r - $h) * sqrt(max(0.0, 2 * $r * $h - $h ** 2));
    }
}
