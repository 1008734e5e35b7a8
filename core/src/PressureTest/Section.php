<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Refused;

/** A filled section: volume, and how much more it takes per pressure. SI. */
final readonly class Section
{
    /** @param  list<Segment>  $segments */
    private function __construct(public array $segments, public float $bulk)
    {
    }

    /** @param  list<Segment>  $segments */
    public static function of(array $segments, ?float $waterTemperature, ?float $bulk): self
    {
        if ($bulk === null && $waterTemperature === null) {
            throw Refused::field('t_water', 't_water is missing: give the temperature of the water, or its bulk modulus.');
        }
        if ($waterTemperature !== null) {
            Water::mustBeLiquid($waterTemperature);
        }

        return new self($segments, $bulk ?? Water::bulkModulus((float) $waterTemperature));
    }

    public function volume(): float
    {
        return array_sum(array_map(fn (Segment $s) => $s->volume(), $this->segments));
    }

    /** m³/Pa */
    public function compliance(): float
    {
        return array_sum(array_map(fn (Segment $s) => $s->volume() * (1 / $this->bulk + $s->swelling()), $this->segments));
    }

    /** Water that air gives way to between two gauge pressures, m³; air volume at the barometer. */
    public static function airGivesWay(float $air, float $atmosphere, float $from, float $to): float
    {
        return $air * $atmosphere * (1 / ($atmosphere + $from) - 1 / ($atmosphere + $to));
    }
}
