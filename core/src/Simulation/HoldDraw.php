<?php

declare(strict_types=1);

namespace Diastoma\Core\Simulation;

use Diastoma\Core\Leak\Orifice;
use Diastoma\Core\PressureTest\Section;
use Diastoma\Core\PressureTest\Segment;
use Diastoma\Core\PressureTest\ThermalDrift;
use Diastoma\Core\PressureTest\Water;
use Diastoma\Core\Units\Si;

/**
 * A shut section as a logger would write it, with one fault of a fixed list drawn by its seed: what the reading of logs is
 * tried on.
 *
 * It comes from the mechanics of the section and not from the courses that the analysis fits. Pipe, pressure, sampling,
 * step and drift of the gauge, the memory of its noise and the lag of the probe vary beyond what the analysis assumes.
 */
final class HoldDraw
{
    /** fault => what an honest reading says; cannot-tell: the truth is not in the data */
    public const FAULTS = [
        'none' => 'tight', 'leak' => 'leak', 'air-and-leak' => 'leak', 'settling' => 'stabilising', 'settling-and-leak' => 'leak',
        'creep' => 'creep', 'creep-and-leak' => 'leak', 'weather' => 'temperature', 'weather-and-leak' => 'leak', 'warming' => 'rising',
        'weather-with-time' => 'cannot-tell', 'weather-unlogged' => 'cannot-tell', 'settling-slowly' => 'cannot-tell',
    ];

    private const PLASTIC = ['creep', 'creep-and-leak'];

    private const LOGGED = ['weather', 'weather-and-leak', 'weather-with-time'];

    private const STEP_S = 2.0;

    /** What the sheet of the gauge allows it. */
    private const DRIFT_KPA_H = 0.2;

    private readonly Noise $noise;

    private readonly float $water;

    private readonly Segment $segment;

    /** Pa */
    private readonly float $start;

    private readonly float $duration;

    private readonly float $warmth;

    private readonly float $period;

    private function __construct(public readonly string $fault, int $seed)
    {
        // Seeds that follow each other would draw alike.
        $this->noise = new Noise(crc32("{$fault} {$seed}") % 1000003);
        $this->water = $this->between(9, 18);
        $isPlastic = \in_array($fault, self::PLASTIC, true);
        $bore = $isPlastic ? $this->between(0.09, 0.25) : $this->between(0.15, 0.4);
        $this->segment = $isPlastic
            ? new Segment($this->between(100, 800), $bore, $bore / 9, $this->between(0.7e9, 1.1e9), 0.45, 'anchored')
            : new Segment($this->between(300, 2000), $bore, $this->between(0.006, 0.009), 170e9, 0.28);
        $this->start = $this->between(8e5, 18e5);
        $this->duration = $this->between(2, 4) * 3600;
        $this->warmth = $this->between(0.35, 0.9);
        $this->period = $this->between(0.35, 0.6) * $this->duration;
    }

    /** @return array{fault: string, truth: string, in: array<string, mixed>} what is given to classify-decline */
    public static function of(string $fault, int $seed): array
    {
        $draw = new self($fault, $seed);

        return ['fault' => $fault, 'truth' => self::FAULTS[$fault], 'in' => $draw->given()];
    }

    /** @return array<string, mixed> */
    private function given(): array
    {
        $plastic = \in_array($this->fault, self::PLASTIC, true);
        $load = $this->between(120, 900);
        $model = $this->model($plastic);
        if ($plastic) {
            $this->raise($model, $load);
        }
        $resolution = $this->noise->uniform() > 0 ? 1.0 : 0.1;

        return [
            'series' => $this->logged($model, $resolution),
            'resolution_kpa' => $resolution,
            'plastic' => $plastic,
            'drift_kpa_h' => self::DRIFT_KPA_H,
        ] + ($plastic ? ['t_load_s' => $load] : []) + ($this->isTheoryKnown() ? ['theory_kpa_per_k' => $this->theory()] : []);
    }

    private function isTheoryKnown(): bool
    {
        return str_starts_with($this->fault, 'weather');
    }

    private function theory(): float
    {
        $s = $this->segment;

        return (new ThermalDrift)($s->bore, (float) $s->wall, (float) $s->modulus, 11.5e-6, $this->water, $this->water + 1, $s->nu)[
            'slope_kpa_per_k'
        ];
    }

    private function model(bool $plastic): SectionModel
    {
        $air = $this->fault === 'air-and-leak' ? $this->between(0.002, 0.02) : 0.0;
        $creep = $plastic ? $this->between(0.07, 0.11) : null;

        return new SectionModel(
            $this->segment,
            $this->water,
            $plastic ? 0.0 : $this->start,
            $air,
            str_contains($this->fault, 'leak') ? $this->hole($air) : 0.0,
            11.5e-6,
            1.0,
            $creep,
        );
    }

    /** A hole through which the pressure falls by 20 to 80 kPa in an hour. */
    private function hole(float $air): float
    {
        $section = Section::of([$this->segment], $this->water, null);
        $give = $section->compliance() + $air * $section->volume() * 101325.0 / (101325.0 + $this->start) ** 2;
        $rate = $this->between(20, 80) * 1000 / 3600;

        return Orifice::diameter($rate * $give, $this->start, Orifice::SHARP, Water::density($this->water));
    }

    private function raise(SectionModel $model, float $load): void
    {
        // The pump is slower at the end: it follows the pressure that the raise wants.
        for ($t = 0.0; $t < $load; $t += self::STEP_S) {
            $wanted = $this->start * ($t + self::STEP_S) / $load;
            $section = Section::of([$this->segment], $this->water, null);
            $model->step(self::STEP_S, max(0.0, ($wanted - $model->pressure) * $section->compliance() / self::STEP_S));
        }
    }

    /** K/s of water and pipe */
    private function warming(float $t): float
    {
        $settling = fn (float $fall, float $tau) => -$fall / $tau * exp(-$t / $tau);

        return match ($this->fault) {
            'settling', 'settling-and-leak' => $settling($this->warmth / 2, $this->period / 5),
            'settling-slowly' => $settling($this->warmth, 2 * $this->duration),
            'weather', 'weather-and-leak', 'weather-unlogged' => ($this->fault === 'weather-unlogged' ? -0.2 / $this->duration : 0.0) +
                ($this->fault === 'weather-unlogged' ? 0.0 : $this->warmth) * 2 * M_PI / $this->period * cos(2 * M_PI * $t / $this->period),
            'weather-with-time' => -$this->warmth / $this->duration,
            'warming' => $this->warmth / $this->duration,
            default => 0.0,
        };
    }

    /** @return list<list<float>> */
    private function logged(SectionModel $model, float $resolution): array
    {
        $every = [4.0, 10.0, 30.0][(int) floor($this->between(0, 2.999))];
        $sigma = $this->between(0.2, 1.2);
        $memory = exp(-$every / $this->between(5, 60));
        $drift = $this->between(-1, 1) * self::DRIFT_KPA_H / 3600;
        $lag = $this->between(0, 180);
        $withTemperature = \in_array($this->fault, self::LOGGED, true);
        $rows = $warmth = [];
        $temperature = $this->water;
        $error = 0.0;
        for ($t = 0.0; $t <= $this->duration; $t += self::STEP_S) {
            $warmth[] = $temperature;
            // A logger misses a reading now and then.
            if (fmod($t, $every) < 1e-6 && $this->noise->uniform() < 0.98) {
                $error = $memory * $error + $sigma * sqrt(1 - $memory ** 2) * $this->noise->normal();
                $shown = Si::kpa($model->pressure) + $error + $drift * $t;
                $row = [$t, $resolution * round($shown / $resolution)];
                $probe = $warmth[max(0, (int) (($t - $lag) / self::STEP_S))];
                $rows[] = $withTemperature ? [...$row, round($probe + 0.02 * $this->noise->normal(), 2)] : $row;
            }
            $warming = $this->warming($t);
            $model->step(self::STEP_S, 0.0, $warming);
            $temperature += $warming * self::STEP_S;
        }

        return $rows;
    }

    private function between(float $low, float $high): float
    {
        return $low + ($high - $low) * (1 + $this->noise->uniform()) / 2;
    }
}
