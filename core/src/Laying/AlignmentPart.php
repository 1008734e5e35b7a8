<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** A part of an alignment that one formula describes: straight or an arc in plan, a slope or a parabola in level. */
final readonly class AlignmentPart
{
    /** The bearing's sine and cosine where it begins. */
    private float $sine;

    private float $cosine;

    /** Straight in plan and in level: the line itself is where a pipe lies. */
    public bool $isStraight;

    /** Chainage for each metre of its true length where it begins. */
    public float $planShare;

    /**
     * @param  float  $from  chainage where it begins, m
     * @param  float  $to  chainage where it ends, m
     * @param  float  $east  m, there, like the next two
     * @param  float  $bearing  radians clockwise from north, there
     * @param  float  $curvature  1/m in plan, plus to the right
     * @param  float  $grade  rise over run, there
     * @param  float  $bend  change of the grade for each metre
     * @param  float  $scale  metres in plan for each metre of chainage: chainages are given, and a little off
     */
    public function __construct(
        public float $from,
        public float $to,
        private float $east,
        private float $north,
        private float $level,
        private float $bearing,
        private float $curvature = 0.0,
        private float $grade = 0.0,
        private float $bend = 0.0,
        private float $scale = 1.0,
    ) {
        $this->sine = sin($bearing);
        $this->cosine = cos($bearing);
        $this->isStraight = $curvature === 0.0 && $bend === 0.0;
        $this->planShare = 1 / sqrt(1 + $grade ** 2) / $scale;
    }

    /** @return array{float, float, float} easting, northing, level, m */
    public function at(float $chainage): array
    {
        $run = ($chainage - $this->from) * $this->scale;
        $level = $this->level + ($this->grade + $this->bend * $run / 2) * $run;
        if ($this->curvature === 0.0) {
            return [$this->east + $this->sine * $run, $this->north + $this->cosine * $run, $level];
        }
        // By half angles: the difference of two cosines loses its digits on a large radius.
        $half = $this->curvature * $run / 2;
        $chord = 2 * sin($half) / $this->curvature;

        return [
            $this->east + $chord * sin($this->bearing + $half), $this->north + $chord * cos($this->bearing + $half), $level,
        ];
    }

    /** @return array{float, float, float} what a metre of chainage adds to each */
    public function slope(float $chainage): array
    {
        $run = ($chainage - $this->from) * $this->scale;
        $bearing = $this->bearing + $this->curvature * $run;

        return [$this->scale * sin($bearing), $this->scale * cos($bearing), $this->scale * ($this->grade + $this->bend * $run)];
    }

    /** The part of it from one of its chainages to another, m. */
    public function within(float $from, float $to): self
    {
        $run = ($from - $this->from) * $this->scale;
        [$bearing, $grade] = [$this->bearing + $this->curvature * $run, $this->grade + $this->bend * $run];

        return new self($from, $to, ...$this->at($from), ...[$bearing, $this->curvature, $grade, $this->bend, $this->scale]);
    }

    /** @return array{float, float} bearing in radians and grade where it ends */
    public function leaves(): array
    {
        $run = ($this->to - $this->from) * $this->scale;

        return [$this->bearing + $this->curvature * $run, $this->grade + $this->bend * $run];
    }

    /** Length in space, m: by Simpson's rule, which a parabola's small change of grade needs no more of. */
    public function trueLength(): float
    {
        $run = ($this->to - $this->from) * $this->scale;
        $stretch = fn (float $share): float => hypot(1.0, $this->grade + $this->bend * $share * $run);

        return $run * ($stretch(0) + 4 * $stretch(0.25) + 2 * $stretch(0.5) + 4 * $stretch(0.75) + $stretch(1)) / 12;
    }

    /** By how much it turns within so many metres, at most, radians. */
    public function turnWithin(float $metres): float
    {
        $run = min($metres, ($this->to - $this->from) * $this->scale);

        return (abs($this->curvature) + abs($this->bend)) * $run;
    }

    public function curvature(): float
    {
        return $this->curvature;
    }

    /** Change of the grade for each metre: of a shallow parabola its curvature in level, 1/m. */
    public function bend(): float
    {
        return $this->bend;
    }

    public function spot(int $part, float $chainage): Spot
    {
        return new Spot($part, $chainage, ...$this->at($chainage));
    }
}
