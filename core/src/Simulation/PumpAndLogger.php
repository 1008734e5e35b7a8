<?php

declare(strict_types=1);

namespace Diastoma\Core\Simulation;

use Diastoma\Core\PressureTest\Segment;
use Diastoma\Core\Procedure\StandIn;
use Diastoma\Core\Units\Unit;

/**
 * Stand-in for pump, gauge and logger: the whole course of a test, as a logger would write it.
 *
 * Rows are [min, kPa, litres pumped in since the start (let out counts minus), °C]; marks are minutes.
 */
final class PumpAndLogger
{
    public const FAULTS = [
        'none' => 'tight section',
        'leak' => 'a small hole from the start',
        'weep' => 'a joint that weeps from the start',
        'air' => 'trapped air',
        'sun' => 'the pipe warms during the hold',
        'closed-valve' => 'a closed valve cuts half of the section off',
        'drift' => 'the gauge drifts while nothing leaks',
        'hammer' => 'knocks from a pump or a valve nearby',
    ];

    /** Diameter of what leaks, m. */
    private const HOLES = ['leak' => 0.0009, 'weep' => 0.0002];

    private const STEP_S = 2.0;

    /** What a warming gauge loses, kPa an hour: enough to be taken for a leak. */
    private const DRIFT_KPA_H = 14.0;

    /** A knock every so many readings, up and down by turns. */
    private const KNOCK_EVERY = 41;

    private const KNOCK_KPA = 120.0;

    /** Two hours and a minute. */
    private const HOLD_S = 7260.0;

    /** How long a careful raise takes. */
    private const RAISE_S = 600.0;

    /** An hour and a minute. */
    private const SHUT_S = 3660.0;

    /** Four hours and a minute. */
    private const EXPANSION_S = 14460.0;

    private readonly SectionModel $model;

    /** @var list<array{float, float, float, float}> */
    private array $rows = [];

    private float $seconds = 0.0;

    private float $pumped = 0.0;

    /** Pa per m³ that were pumped in, at the last step that pumped; null: none has yet. */
    private ?float $stiffness = null;

    private float $temperature;

    private Noise $noise;

    /**
     * @param  float  $stp  Pa at the gauge
     * @param  float  $rate  m³/s of the pump
     * @param  string  $fault  a key of FAULTS
     * @param  float|null  $creepM  creep exponent for PE, null for elastic pipe
     */
    public function __construct(
        Segment $segment,
        float $waterTemperature,
        private readonly float $stp,
        private readonly float $rate,
        private readonly string $fault = 'none',
        ?float $creepM = null,
        private readonly float $logEvery = 20.0,
        int $seed = 7,
    ) {
        $this->noise = new Noise($seed);
        $this->temperature = $waterTemperature;
        // A segment states the modulus of the first minutes; the creep law of the model counts from one hour.
        $stretching =
            $creepM === null
                ? $segment
                : new Segment(
                    $segment->length,
                    $segment->bore,
                    $segment->wall,
                    (float) $segment->modulus * 30 ** -$creepM,
                    $segment->nu,
                    $segment->restraint,
                );
        $this->model = new SectionModel(
            $stretching, $waterTemperature,
            airShare: $fault === 'air' ? 0.06 : 0.001,
            hole: self::HOLES[$fault] ?? 0.0,
            alpha: $creepM === null ? 1.15e-5 : 1.8e-4,
            openFraction: $fault === 'closed-valve' ? 0.5 : 1.0,
            creepM: $creepM,
        );
        $this->log();
    }

    /**
     * The course that a method names; constant pressure where none is named.
     *
     * @return array{rows: list<array{float, float, float, float}>, marks: array<string, float>}
     */
    public function play(?StandIn $named): array
    {
        return match ($named?->programme) {
            'viscoelastic' => $this->viscoelastic(),
            'shut' => $this->shut($named->hold ?? self::SHUT_S),
            'three-point' => $this->threePoint(),
            'expansion' => $this->expansion($named->hold ?? self::EXPANSION_S),
            'staged' => $this->staged($named->hold ?? self::HOLD_S),
            default => $this->constantPressure($named->hold ?? self::HOLD_S),
        };
    }

    /**
     * Raise, settle, shut, and nothing more.
     *
     * @return array{rows: list<array{float, float, float, float}>, marks: array<string, float>}
     */
    public function shut(float $hold): array
    {
        $marks = $this->upAndSettled(3600.0);
        $marks['hold_from_min'] = $this->minutes();
        $this->idle($hold);
        $marks['hold_to_min'] = $this->minutes();
        $this->letOut(0.0);

        return ['rows' => $this->rows, 'marks' => $marks];
    }

    /**
     * Raise and shut: the slope on log paper is read for sixteen times the time of loading.
     *
     * @return array{rows: list<array{float, float, float, float}>, marks: array<string, float>}
     */
    public function threePoint(): array
    {
        $this->idle(3660);
        $marks = ['raise_from_min' => $this->minutes()];
        $from = $this->seconds;
        $this->raise($this->stp);
        $marks['shut_min'] = $this->minutes();
        $this->idle(16 * ($this->seconds - $from));
        $this->letOut(0.0);

        return ['rows' => $this->rows, 'marks' => $marks];
    }

    /**
     * Raise, keep up while the pipe expands, let down a little, shut and watch.
     *
     * @return array{rows: list<array{float, float, float, float}>, marks: array<string, float>}
     */
    public function expansion(float $expansion): array
    {
        $this->idle(300);
        $this->raise($this->stp, $this->stp / self::RAISE_S);
        $marks = ['expansion_from_min' => $this->minutes()];
        $until = $this->seconds + $expansion;
        while ($this->seconds < $until) {
            $this->idle(60);
            $this->raise($this->stp, $this->stp / self::RAISE_S);
        }
        $marks['reduce_from_min'] = $this->minutes();
        $this->letOut($this->stp - 10 * Unit::PSI);
        $marks['watch_from_min'] = $this->minutes();
        $this->idle(3660);
        $marks['watch_to_min'] = $this->minutes();
        $this->letOut(0.0);

        return ['rows' => $this->rows, 'marks' => $marks];
    }

    /**
     * Up in steps with a pause at each, settle, hold. The ramp stays below a fifth of the rating a minute, taken as two thirds
     * of the target.
     *
     * @return array{rows: list<array{float, float, float, float}>, marks: array<string, float>}
     */
    public function staged(float $hold): array
    {
        $this->idle(300);
        $marks = ['raise_from_min' => $this->minutes()];
        $ramp = 0.15 * $this->stp / 1.5 / 60;
        foreach ([0.5, 1.0] as $share) {
            $this->raise($share * $this->stp, $ramp);
            $marks['target_from_min'] = $this->minutes();
            $this->idle($share < 1 ? 600 : 0);
        }
        // What the settling loses lies above the target.
        $this->raise(1.01 * $this->stp, $ramp);
        $this->idle(3600);
        $marks['hold_from_min'] = $this->minutes();
        $this->idle($hold);
        $marks['hold_to_min'] = $this->minutes();
        $this->letOut(0.0);

        return ['rows' => $this->rows, 'marks' => $marks];
    }

    /** @return array<string, float> */
    private function upAndSettled(float $settle): array
    {
        $this->idle(300);
        $marks = ['raise_from_min' => $this->minutes()];
        $ramp = $this->stp / self::RAISE_S;
        $this->raise($this->stp, $ramp);
        $marks['stable_from_min'] = $this->minutes();
        $this->idle($settle);
        $this->raise($this->stp, $ramp);

        return $marks;
    }

    /**
     * Constant pressure: raise, then keep the pressure by pumping at intervals, measuring what goes in.
     *
     * @param  float  $settle  s kept up before the clock starts
     * @return array{rows: list<array{float, float, float, float}>, marks: array<string, float>}
     */
    public function constantPressure(float $hold, float $band = 20e3, float $settle = 1800.0): array
    {
        $this->idle(300);
        $marks = ['raise_from_min' => $this->minutes()];
        $this->raise($this->stp, gently: true);
        $marks['stable_from_min'] = $this->minutes();
        $this->keep($settle, $band, gently: true);
        $marks['hold_from_min'] = $this->minutes();
        $this->keep($hold, $band, gently: true);
        $this->raise($this->stp, gently: true);
        $marks['hold_to_min'] = $this->minutes();
        $this->letOut(0.0);

        return ['rows' => $this->rows, 'marks' => $marks];
    }

    /**
     * Stretching pipe: relax, raise, hold, creep, reduce, watch.
     *
     * After about a fifth of the time under load the pipe's own stretching wins again over its recovery, so the
     * shut phase is longer than the hour that the method asks for.
     *
     * @param  float  $reduction  share of STP let out before the main phase
     * @param  float  $creep  s shut
     * @return array{rows: list<array{float, float, float, float}>, marks: array<string, float>}
     */
    public function viscoelastic(float $reduction = 0.145, float $creep = 10800.0): array
    {
        $this->idle(3660);
        $marks = ['raise_from_min' => $this->minutes()];
        $this->raise($this->stp);
        $marks['hold_from_min'] = $this->minutes();
        $this->keep(1860, 5e3);
        $marks['creep_from_min'] = $this->minutes();
        $this->idle($creep);
        $marks['reduce_from_min'] = $this->minutes();
        $this->letOut(max(0.0, $this->model->pressure - $reduction * $this->stp));
        $marks['main_from_min'] = $this->minutes();
        $this->idle(1860);
        $marks['main_to_min'] = $this->minutes();
        $this->idle(120);
        $this->letOut(0.0);

        return ['rows' => $this->rows, 'marks' => $marks];
    }

    private function minutes(): float
    {
        return round($this->seconds / 60, 4);
    }

    /**
     * @param  float  $ramp  Pa/s, not to be passed
     * @param  bool  $gently  with the flow that {@see throttled()}
     */
    private function raise(float $to, float $ramp = INF, bool $gently = false): void
    {
        $limit = $this->seconds + 4 * 3600;
        $rate = $ramp < INF ? $this->rate / 500 : $this->rate;
        while ($this->model->pressure < $to && $this->seconds < $limit) {
            $before = $this->model->pressure;
            $this->tick($gently ? $this->throttled($rate, $to) : $rate);
            // The pump is throttled by what the gauge shows.
            $rise = ($this->model->pressure - $before) / self::STEP_S;
            $rate = $ramp < INF ? min($this->rate, $rate * ($rise > 0 ? max(0.5, min(2.0, $ramp / $rise)) : 2.0)) : $rate;
        }
        $this->log();
    }

    private function keep(float $for, float $band, bool $gently = false): void
    {
        $until = $this->seconds + $for;
        $pumping = false;
        while ($this->seconds < $until) {
            $pumping = $pumping ? $this->model->pressure < $this->stp : $this->model->pressure < $this->stp - 0.6 * $band;
            $flow = $pumping ? $this->rate / 4 : 0.0;
            $this->tick($pumping && $gently ? $this->throttled($flow, $this->stp) : $flow);
        }
        $this->log();
    }

    /**
     * As much of a flow as does not lift the pressure over the target, nor by much at once: a stiff line answers to a cup of
     * water. How it answers is seen at the last step that pumped.
     */
    private function throttled(float $flow, float $to): float
    {
        $rise = min($to - $this->model->pressure, $to / 50);
        $most = $this->stiffness === null ? $flow / 500 : $rise / $this->stiffness / self::STEP_S;

        return min($flow, max($flow / 1000, 1.001 * $most));
    }

    private function idle(float $for): void
    {
        $until = $this->seconds + $for;
        while ($this->seconds < $until) {
            $this->tick(0.0);
        }
        $this->log();
    }

    private function letOut(float $to): void
    {
        $limit = $this->seconds + 3600;
        while ($this->model->pressure > $to + 1e3 && $this->seconds < $limit) {
            // Small steps near the end: the valve is shut at the wanted pressure, not a little below.
            $this->tick(-$this->rate / 6, $this->model->pressure - $to < 60e3 && $to > 0 ? 0.2 : self::STEP_S);
        }
        $this->log();
    }

    private function tick(float $inflow, float $dt = self::STEP_S): void
    {
        $before = $this->model->pressure;
        $warming = $this->fault === 'sun' && $this->seconds > 3600 ? 1.6 / 3600 : 0.0;
        $this->model->step($dt, $inflow, $warming);
        $this->seconds += $dt;
        $this->pumped += $inflow * $dt;
        if ($inflow > 0 && $this->model->pressure > $before) {
            // What runs out at a hole makes the line look softer than it is.
            $seen = ($this->model->pressure - $before) / ($inflow * $dt);
            $this->stiffness = max($seen, 0.9 * (float) $this->stiffness);
        }
        $this->temperature += $warming * $dt;
        if (fmod($this->seconds, $this->logEvery) < $dt - 1e-9) {
            $this->log();
        }
    }

    private function log(): void
    {
        $time = round($this->seconds / 60, 4);
        if ($this->rows !== [] && $this->rows[\count($this->rows) - 1][0] >= $time) {
            return;
        }
        $this->rows[] = [
            $time, round(max(0.0, $this->model->pressure / 1000 + $this->shownOff() + 0.05 * $this->noise->normal()), 1),
            round($this->pumped * 1000, 2), round($this->temperature, 2),
        ];
    }

    /** By how much the gauge shows something else than the pressure is, kPa. */
    private function shownOff(): float
    {
        if ($this->model->pressure <= 0.0) {
            return 0.0;
        }

        return match ($this->fault) {
            'drift' => -self::DRIFT_KPA_H * $this->seconds / 3600,
            'hammer' => match (\count($this->rows) % (2 * self::KNOCK_EVERY)) {
                self::KNOCK_EVERY => self::KNOCK_KPA,
                0 => -self::KNOCK_KPA,
                default => 0.0,
            },
            default => 0.0,
        };
    }
}
