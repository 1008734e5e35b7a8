<?php

declare(strict_types=1);

namespace Diastoma\Core\Simulation;

use Diastoma\Core\PressureTest\Section;
use Diastoma\Core\PressureTest\Segment;
use Diastoma\Core\PressureTest\ThermalDrift;
use Diastoma\Core\PressureTest\Water;
use Diastoma\Core\Round\Student;

/**
 * A filled section that can be pumped, let out and left alone: water, elastic or creeping pipe, air, a hole, weather.
 *
 * (C_el + Va pa/(pa+p)² T/T0) dp/dt = Q - Cd A √(2p/ρ) - V g Σ x_i' + [V(β - ca α) + Va pa/(pa+p)/T0] dT/dt;
 * creep as a chain of Kelvin elements that follows J1 (t/t1)^m within 0.6 % from 30 s to 10 h. Runge–Kutta 4.
 */
final class SectionModel
{
    private const DISCHARGE = 0.6;

    private const TAUS = [10.0, 100.0, 1e3, 1e4, 1e5, 1e6];

    private const CREEP_REFERENCE_S = 3600.0;

    /** Gauge pressure, Pa. */
    public float $pressure;

    private readonly float $volume;

    private readonly float $elastic;

    private readonly float $ringFactor;

    private readonly float $density;

    private readonly float $room;

    /** °C */
    private float $temperature;

    private readonly float $kelvin;

    private readonly float $holeArea;

    private readonly float $air;

    /** @var list<float> J_i, 1/Pa */
    private array $creep = [];

    /** @var list<float> strain of each Kelvin element */
    private array $strain = [];

    /**
     * @param  float  $airShare  0..1 of the volume, at the barometer
     * @param  float  $hole  diameter, m
     * @param  float  $openFraction  share of the volume that a closed valve leaves
     * @param  float|null  $creepM  exponent of the creep law; the segment's modulus is then that at 1 h
     */
    public function __construct(
        Segment $segment,
        float $waterTemperature,
        float $start = 0.0,
        float $airShare = 0.0,
        float $hole = 0.0,
        float $alpha = 0.0,
        float $openFraction = 1.0,
        ?float $creepM = null,
        private readonly float $atmosphere = 101325.0,
    ) {
        $section = Section::of([$segment], $waterTemperature, null);
        $this->pressure = $start;
        $this->volume = $segment->volume() * $openFraction;
        $this->ringFactor = $segment->lengthwise() * $segment->bore / (float) $segment->wall;
        $compliance = 1 / (float) $segment->modulus;
        if ($creepM !== null) {
            $c = $compliance * self::CREEP_REFERENCE_S ** -$creepM * $creepM / exp(Student::logGamma(1 - $creepM));
            foreach (self::TAUS as $tau) {
                $this->creep[] = $c * $tau ** $creepM * log(10);
                $this->strain[] = 0.0;
            }
            $compliance = $c * (10 / sqrt(10)) ** $creepM / $creepM;
        }
        $this->elastic = $this->volume * (1 / $section->bulk + $this->ringFactor * $compliance);
        $this->density = Water::density($waterTemperature);
        $this->room = ThermalDrift::roomPerAlpha($segment->restraint, $segment->nu) * $alpha;
        $this->temperature = $waterTemperature;
        $this->kelvin = $waterTemperature + 273.15;
        $this->holeArea = M_PI / 4 * $hole ** 2;
        $this->air = $airShare * $segment->volume();
    }

    /**
     * @param  float  $inflow  m³/s, minus when let out
     * @param  float  $warming  K/s
     */
    public function step(float $dt, float $inflow = 0.0, float $warming = 0.0): void
    {
        $y = [$this->pressure, ...$this->strain];
        $k1 = $this->slope($y, $inflow, $warming);
        $k2 = $this->slope($this->along($y, $k1, $dt / 2), $inflow, $warming);
        $k3 = $this->slope($this->along($y, $k2, $dt / 2), $inflow, $warming);
        $k4 = $this->slope($this->along($y, $k3, $dt), $inflow, $warming);
        foreach ($y as $i => $value) {
            $y[$i] = $value + $dt / 6 * ($k1[$i] + 2 * $k2[$i] + 2 * $k3[$i] + $k4[$i]);
        }
        $this->pressure = max(0.0, $y[0]);
        $this->strain = \array_slice($y, 1);
        $this->temperature += $warming * $dt;
    }

    /** Largest flow that the hole lets out at this pressure, m³/s. */
    public function leak(float $pressure): float
    {
        return self::DISCHARGE * $this->holeArea * sqrt(2 * max(0.0, $pressure) / $this->density);
    }

    /**
     * @param  list<float>  $y
     * @return list<float>
     */
    private function slope(array $y, float $inflow, float $warming): array
    {
        $p = max(0.0, $y[0]);
        $slopes = [0.0];
        $stretching = 0.0;
        foreach ($this->creep as $i => $j) {
            $slopes[$i + 1] = ($j * $p - $y[$i + 1]) / self::TAUS[$i];
            $stretching += $slopes[$i + 1];
        }
        $airAt = $this->air * $this->atmosphere / ($this->atmosphere + $p);
        $give = $this->elastic + $airAt / ($this->atmosphere + $p);
        $weather =
            $warming == 0.0
                ? 0.0
                : ($this->volume * (Water::expansion($this->temperature) - $this->room) + $airAt / $this->kelvin) * $warming;
        $slopes[0] = ($inflow - $this->leak($p) - $this->volume * $this->ringFactor * $stretching + $weather) / $give;

        return array_values($slopes);
    }

    /**
     * @param  list<float>  $y
     * @param  list<float>  $k
     * @return list<float>
     */
    private function along(array $y, array $k, float $dt): array
    {
        foreach ($y as $i => $value) {
            $y[$i] = $value + $dt * $k[$i];
        }

        return $y;
    }
}
