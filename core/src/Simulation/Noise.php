<?php

declare(strict_types=1);

namespace Diastoma\Core\Simulation;

/** Repeatable noise for stand-ins: the same seed gives the same trace. */
final class Noise
{
    private int $state;

    public function __construct(int $seed)
    {
        $this->state = ($seed * 2654435761 + 12345) & 0x7FFFFFFF;
    }

    /** Uniform in -1..1. */
    public function uniform(): float
    {
        $this->state = ($this->state * 1103515245 + 12345) & 0x7FFFFFFF;

        return ($this->state >> 8) / 0x3FFFFF - 1;
    }

    /** About normal, mean 0, standard deviation 1 (sum of twelve uniforms). */
    public function normal(): float
    {
        $sum = 0.0;
        for ($i = 0; $i < 12; $i++) {
            $sum += $this->uniform();
        }

        return $sum / 2;
    }
}
