<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** A stretch of a profile: a slope, or a parabola where the grade changes by the metre. */
final readonly class Grade
{
    /**
     * @param  float  $from  chainage, m
     * @param  float  $to  chainage, m
     * @param  float  $level  where it begins, m
     * @param  float  $grade  rise over run, there
     * @param  float  $bend  change of the grade for each metre
     */
    public function __construct(
        public float $from,
        public float $to,
        private float $level,
        private float $grade,
        public float $bend = 0.0,
    ) {
    }

    public function levelAt(float $chainage): float
    {
        $run = $chainage - $this->from;

        return $this->level + ($this->grade + $this->bend * $run / 2) * $run;
    }

    public function gradeAt(float $chainage): float
    {
        return $this->grade + $this->bend * ($chainage - $this->from);
    }
}
