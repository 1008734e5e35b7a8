<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

/** Kinds of quantity. The value in brackets is the unit that the core computes in. */
enum Quantity: string
{
    case Length = 'length'; // m
    case Pressure = 'pressure'; // Pa
    case Torque = 'torque'; // N·m
    case Temperature = 'temperature'; // °C
    case TemperatureDifference = 'temperature_difference'; // K
    case Force = 'force'; // N
    case Mass = 'mass'; // kg
    case Volume = 'volume'; // m³
    case Flow = 'flow'; // m³/s
    case Angle = 'angle'; // rad
    case Chainage = 'chainage'; // m
    case Time = 'time'; // s
    case Velocity = 'velocity'; // m/s
    case Density = 'density'; // kg/m³
    case PressureRate = 'pressure_rate'; // Pa/s
    case Expansion = 'expansion'; // 1/K
    case Compliance = 'compliance'; // m³/Pa
    case Voltage = 'voltage'; // V
    case Current = 'current'; // A
    case Resistance = 'resistance'; // Ω
    case Power = 'power'; // W
    case Energy = 'energy'; // J
    case SewerLoss = 'sewer_loss'; // m³/(m·m·s), by diameter and length

    /** @return array<string, Unit> units of this kind by key suffix, the core's own unit first */
    public function units(): array
    {
        return Unit::all()[$this->value] ?? [];
    }
}
