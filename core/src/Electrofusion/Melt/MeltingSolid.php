<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion\Melt;

/**
 * A solid that melts over a range of temperatures: enthalpy and conductivity as straight pieces. One curve serves
 * melting and freezing (real polyethylene freezes some 10 to 20 K lower).
 */
final readonly class MeltingSolid
{
    /** Enthalpy where melting begins and ends, J/kg from 0 °C. */
    public float $solidus;

    public float $liquidus;

    /** Enthalpy per kelvin while it melts, J/(kg·K). */
    public float $meltingSlope;

    /**
     * @param  float  $density  kg/m³
     * @param  float  $heat  J/(kg·K), solid
     * @param  float  $heatMelt  J/(kg·K), molten
     * @param  float  $latent  J/kg
     * @param  float  $meltFrom  °C
     * @param  float  $meltTo  °C
     * @param  float  $conductivityCold  W/(m·K) at and below $coldAt
     * @param  float  $conductivityHot  W/(m·K) at and above $meltTo
     * @param  float  $coldAt  °C
     */
    public function __construct(
        public float $density,
        public float $heat,
        public float $heatMelt,
        public float $latent,
        public float $meltFrom,
        public float $meltTo,
        public float $conductivityCold,
        public float $conductivityHot,
        public float $coldAt = 20.0,
    ) {
        $this->meltingSlope = ($heat + $heatMelt) / 2 + $latent / ($meltTo - $meltFrom);
        $this->solidus = $heat * $meltFrom;
        $this->liquidus = $this->solidus + $this->meltingSlope * ($meltTo - $meltFrom);
    }

    /**
     * Typical PE-HD for teaching, ±15 %. From memory: density 950 kg/m³, 2300 and 2500 J/(kg·K), melting 105 to 132 °C,
     * latent heat 200 kJ/kg, conductivity 0.42 W/(m·K) at 20 °C falling to 0.26 in the melt; chosen as a closed set.
     */
    public static function polyethylene(): self
    {
        return new self(950, 2300, 2500, 200000, 105, 132, 0.42, 0.26);
    }

    /** J/kg from 0 °C. */
    public function enthalpy(float $temperature): float
    {
        return match (true) {
            $temperature <= $this->meltFrom => $this->heat * $temperature,
            $temperature < $this->meltTo => $this->solidus + $this->meltingSlope * ($temperature - $this->meltFrom),
            default => $this->liquidus + $this->heatMelt * ($temperature - $this->meltTo),
        };
    }

    /** °C */
    public function temperature(float $enthalpy): float
    {
        return match (true) {
            $enthalpy <= $this->solidus => $enthalpy / $this->heat,
            $enthalpy < $this->liquidus => $this->meltFrom + ($enthalpy - $this->solidus) / $this->meltingSlope,
            default => $this->meltTo + ($enthalpy - $this->liquidus) / $this->heatMelt,
        };
    }

    /** Share that is molten, 0 to 1. */
    public function molten(float $enthalpy): float
    {
        return max(0.0, min(1.0, ($enthalpy - $this->solidus) / ($this->liquidus - $this->solidus)));
    }
}
