<?php

namespace App\Laying;

/** A pipe of a plan in its place, with what the plan asks of the joint at its beginning. */
final readonly class PlannedPipe
{
    /**
     * @param  float  $from  chainage where it begins, m
     * @param  float  $length  m
     * @param  float|null  $cutFrom  length of the pipe that it is cut from, m; null: it is laid whole
     * @param  array<string, float|null>|null  $joint  angle, hour, level and place of the joint there; null: the plan asks nothing of it
     * @param  array{at_m: float, bend_deg: float, leg_m: float}|null  $bend  it is no pipe but a bend
     */
    public function __construct(
        public float $from,
        public float $length,
        public ?float $cutFrom = null,
        public ?array $joint = null,
        public ?array $bend = null,
    ) {
    }
}
