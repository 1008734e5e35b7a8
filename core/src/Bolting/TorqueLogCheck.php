<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Units\Quantity;

/** Is the log of the bolts of a joint complete and right? It is judged as it grows: what is not read yet is open. */
#[Calculates(
    'torque-log-check',
    'Is every bolt tight, and in its order?',
    Family::Mechanical,
    [
        'mean_nm',
        'spread_frac',
        'final_low_nm',
        'final_high_nm',
        'low_nm',
        'high_nm',
        'done',
        'next_seq',
        'next_pass',
        'next_bolt',
        'next_nm',
        'reasons',
        'notes',
        'verdict',
    ],
    'ISO 6789 for the wrench; limits of the procedure; common practice',
    codes: [
        'reasons' => [
            'no-fact:*',
            'no-limit:*',
            'wrench-out-of-date',
            'wrench-cycles',
            'wrench-range',
            'missed-bolt:*',
            'unknown-bolt:*',
            'order:*',
            'pass-order:*',
            'low:*',
            'high:*',
            'over-pass:*',
            'uneven',
            'over-max:*',
            'after-leak-not-allowed',
            'after-leak-under-pressure',
            'after-leak-twice',
            'after-leak-over',
            'guard:*',
            'wrench-too-coarse',
        ],
    ],
)]
final class TorqueLogCheck
{
    /**
     * @param  list<TorqueReading>  $readings
     * @param  list<AfterLeak>  $afterLeak
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Part('plan', BoltPlan::class)] BoltPlan $plan,
        #[Items('readings', TorqueReading::class, atLeast: 0)] array $readings,
        #[Number('tol_frac', min: 0, max: 1)] ?float $tolerance = null,
        #[Measure('max_nm', Quantity::Torque, min: 0)] ?float $most = null,
        #[Number('spread_max_frac', min: 0)] ?float $spreadMost = null,
        #[Number('final_pass', min: 1, whole: true)] ?float $finalPass = null,
        #[Flag('order_strict')] bool $orderStrict = false,
        #[Part('wrench', Wrench::class)] ?Wrench $wrench = null,
        #[Items('after_leak', AfterLeak::class, atLeast: 0)] array $afterLeak = [],
        #[Number('after_leak_frac', min: 0, max: 1)] float $afterLeakShare = 0.2,
        #[Measure('after_leak_pressure_max_pa', Quantity::Pressure, min: 0)] ?float $afterLeakPressure = null,
        #[Flag('after_leak_allowed')] ?bool $afterLeakAllowed = null,
        #[Measure('label_torque_nm', Quantity::Torque, min: 0)] ?float $label = null,
        #[Measure('label_max_nm', Quantity::Torque, min: 0)] ?float $labelMost = null,
        #[Choice('guard_rule', ['none', 'uncertainty'])] string $guardRule = 'none',
    ): array {
        $log = new TorqueLog($plan, $readings, (int) ($finalPass ?? 0) ?: null);
        $found = new Findings;
        $this->wrench($found, $wrench, $readings);
        $log->completeness($found);
        $log->order($found, $orderStrict);
        if ($tolerance === null) {
            $found->open('no-limit:tol_frac');
        } else {
            $log->torques($found, $tolerance);
        }
        $spread = $log->spread();
        if ($spreadMost !== null && $spread !== null && ! Compare::atMost($spread, $spreadMost)) {
            $found->bad('uneven');
        }
        $this->most($found, $most, $readings, $afterLeak);
        if ($afterLeak !== []) {
            (new AfterLeakRule($afterLeakAllowed, $afterLeakPressure, $label, $labelMost, $afterLeakShare))->check($found, $afterLeak);
        }
        if ($guardRule === 'uncertainty' && $wrench !== null && $tolerance !== null) {
            $log->guard($found, $tolerance, $wrench->tolerance);
        }
        if ($wrench !== null && $tolerance !== null && ! Compare::atLeast($tolerance, $wrench->tolerance)) {
            $found->open('wrench-too-coarse');
        }

        return ['mean_nm' => $log->mean(), 'spread_frac' => $spread] + $log->final($tolerance) + $log->next($tolerance) + $found->toArray();
    }

    /** @param  list<TorqueReading>  $readings */
    private function wrench(Findings $found, ?Wrench $wrench, array $readings): void
    {
        if ($wrench === null) {
            $found->open('no-fact:wrench');

            return;
        }
        foreach ($readings as $reading) {
            $wrench->isOutOfDate($reading->time) && $found->bad('wrench-out-of-date');
        }
        if ($wrench->cycles !== null && $wrench->cyclesMost !== null && $wrench->cycles > $wrench->cyclesMost) {
            $found->bad('wrench-cycles');
        }
        foreach ($readings as $reading) {
            $wrench->hasRange($reading->torque) || $found->bad('wrench-range');
        }
        $wrench->kind === 'click' && $found->note('click-wrench');
    }

    /**
     * @param  list<TorqueReading>  $readings
     * @param  list<AfterLeak>  $afterLeak
     */
    private function most(Findings $found, ?float $most, array $readings, array $afterLeak): void
    {
        $over = array_filter(
            [...$readings, ...$afterLeak],
            fn (TorqueReading|AfterLeak $r) => $most !== null && ! Compare::atMost($r->torque, $most),
        );
        $bolts = array_unique(array_map(fn (TorqueReading|AfterLeak $r) => (int) $r->bolt, $over));
        sort($bolts);
        foreach ($bolts as $bolt) {
            $found->bad("over-max:{$bolt}");
        }
    }
}
