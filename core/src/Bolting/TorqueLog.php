<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Compare;
use Diastoma\Core\Findings;

/** The readings of a joint against its plan. Of a bolt that was read twice in one pass the last reading counts. */
final class TorqueLog
{
    /** @var array<string, PlanStep> "pass/bolt" => the step, by pass and bolt */
    private array $steps = [];

    /** @var array<string, TorqueReading> "pass/bolt" => the reading that counts */
    private array $counting = [];

    private int $finalPass;

    /** @param  list<TorqueReading>  $readings */
    public function __construct(BoltPlan $plan, private readonly array $readings, ?int $finalPass)
    {
        $steps = $plan->steps;
        usort($steps, fn (PlanStep $a, PlanStep $b) => [$a->pass, $a->bolt] <=> [$b->pass, $b->bolt]);
        foreach ($steps as $step) {
            $this->steps[$step->key()] = $step;
        }
        foreach ($readings as $reading) {
            $this->counting[$reading->key()] = $reading;
        }
        $this->finalPass = $finalPass ?? (int) max(array_map(fn (PlanStep $s) => $s->pass, $plan->steps));
    }

    public function completeness(Findings $found): void
    {
        foreach ($this->steps as $key => $step) {
            isset($this->counting[$key]) || $found->open("missed-bolt:{$key}");
        }
        $known = array_map(fn (PlanStep $s) => $s->bolt, $this->steps);
        foreach ($this->readings as $reading) {
            \in_array($reading->bolt, $known, true) || $found->open("unknown-bolt:{$reading->bolt}");
        }
        $times = array_count_values(array_map(fn (TorqueReading $r) => $r->key(), $this->readings));
        foreach (array_filter($times, fn (int $n) => $n > 1) as $key => $n) {
            $found->note('repeated:'.explode('/', (string) $key)[1]);
        }
    }

    /** By each step's first reading in time; a step that was never read breaks no order. */
    public function order(Findings $found, bool $strict): void
    {
        $furthest = $latestPass = 0;
        $late = [];
        foreach ($this->firstReadings() as $step) {
            if ($step->seq < $furthest) {
                $strict ? $found->bad("order:{$step->seq}") : $found->note("order:{$step->seq}");
            }
            if ($step->pass < $latestPass) {
                $late[] = $step->pass;
            }
            $furthest = max($furthest, $step->seq);
            $latestPass = max($latestPass, $step->pass);
        }
        foreach ($late as $pass) {
            $found->bad("pass-order:{$pass}");
        }
    }

    /** @return list<PlanStep> that were read, in the order in which each was read first */
    private function firstReadings(): array
    {
        $first = [];
        foreach ($this->readings as $reading) {
            $key = $reading->key();
            if (isset($this->steps[$key]) && (! isset($first[$key]) || $reading->time < $first[$key]->time)) {
                $first[$key] = $reading;
            }
        }
        uasort($first, fn (TorqueReading $a, TorqueReading $b) => $a->time <=> $b->time);

        return array_values(array_map(fn (string $key) => $this->steps[$key], array_map(strval(...), array_keys($first))));
    }

    /** @param  float  $tolerance  share of the target */
    public function torques(Findings $found, float $tolerance): void
    {
        foreach ($this->steps as $key => $step) {
            $reading = $this->counting[$key] ?? null;
            if ($reading === null) {
                continue;
            }
            if ((int) $step->pass !== $this->finalPass) {
                continue;
            }
            if (! Compare::atLeast($reading->torque, $step->torque * (1 - $tolerance))) {
                $found->bad("low:{$step->bolt}");
            } elseif (! Compare::atMost($reading->torque, $step->torque * (1 + $tolerance))) {
                $found->bad("high:{$step->bolt}");
            }
        }
        foreach ($this->steps as $key => $step) {
            $final = $this->steps["{$this->finalPass}/{$step->bolt}"] ?? null;
            $reading = $this->counting[$key] ?? null;
            if (
                $reading !== null &&
                $final !== null &&
                $step->pass < $this->finalPass &&
                ! Compare::atMost($reading->torque, $final->torque * (1 + $tolerance))
            ) {
                $found->bad("over-pass:{$key}");
            }
        }
    }

    /**
     * Inside, but nearer to a limit than the wrench can tell.
     *
     * @param  float  $class  share of a reading that the wrench may be off
     */
    public function guard(Findings $found, float $tolerance, float $class): void
    {
        foreach ($this->finals() as [$step, $reading]) {
            $margin = min($reading->torque - $step->torque * (1 - $tolerance), $step->torque * (1 + $tolerance) - $reading->torque);
            $u = $class * $reading->torque;
            if ($margin >= -Compare::slack($step->torque) && $margin < $u - Compare::slack($u)) {
                $found->close("guard:{$step->bolt}");
            }
        }
    }

    /** @return float|null N·m over the final pass */
    public function mean(): ?float
    {
        $torques = $this->finalTorques();

        return $torques === [] ? null : array_sum($torques) / \count($torques);
    }

    public function spread(): ?float
    {
        $torques = $this->finalTorques();
        $mean = $this->mean();

        return $torques === [] || $mean === null || $mean == 0.0 ? null : (max($torques) - min($torques)) / $mean;
    }

    /**
     * Between what the final pass is right: that of its first bolt, where they differ.
     *
     * @return array{final_low_nm: float|null, final_high_nm: float|null}
     */
    public function final(?float $tolerance): array
    {
        $finals = array_values(array_filter($this->steps, fn (PlanStep $s) => (int) $s->pass === $this->finalPass));
        $target = ($finals[0] ?? null)?->torque;

        return $target === null || $tolerance === null
            ? ['final_low_nm' => null, 'final_high_nm' => null]
            : ['final_low_nm' => $target * (1 - $tolerance), 'final_high_nm' => $target * (1 + $tolerance)];
    }

    /**
     * What is worked next: the first step of the plan that was not read.
     *
     * @return array{
     *     low_nm: float|null, high_nm: float|null, done: int,
     *     next_seq: int|null, next_pass: int|null, next_bolt: int|null, next_nm: float|null
     * }
     */
    public function next(?float $tolerance): array
    {
        $left = array_filter($this->steps, fn (string $key) => ! isset($this->counting[$key]), ARRAY_FILTER_USE_KEY);
        usort($left, fn (PlanStep $a, PlanStep $b) => $a->seq <=> $b->seq);
        $next = $left[0] ?? null;
        $limited = $next !== null && $tolerance !== null;

        return [
            'low_nm' => $limited ? $next->torque * (1 - $tolerance) : null, 'high_nm' => $limited ? $next->torque * (1 + $tolerance) : null,
            'done' => \count($this->steps) - \count($left),
            'next_seq' => $next === null ? null : (int) $next->seq, 'next_pass' => $next === null ? null : (int) $next->pass,
            'next_bolt' => $next === null ? null : (int) $next->bolt, 'next_nm' => $next?->torque,
        ];
    }

    /** @return list<array{PlanStep, TorqueReading}> steps of the final pass that were read */
    private function finals(): array
    {
        $finals = [];
        foreach ($this->steps as $key => $step) {
            if ((int) $step->pass === $this->finalPass && isset($this->counting[$key])) {
                $finals[] = [$step, $this->counting[$key]];
            }
        }

        return $finals;
    }

    /** @return list<float> */
    private function finalTorques(): array
    {
        return array_map(fn (array $final) => $final[1]->torque, $this->finals());
    }
}
