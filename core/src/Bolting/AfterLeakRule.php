<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Compare;
use Diastoma\Core\Findings;

/** Whether a joint that leaked might be tightened again, at which pressure and how far. */
final readonly class AfterLeakRule
{
    /**
     * @param  float|null  $pressureMost  Pa
     * @param  float|null  $label  N·m
     * @param  float  $share  of the label's torque that may be added
     */
    public function __construct(
        private ?bool $allowed,
        private ?float $pressureMost,
        private ?float $label,
        private ?float $labelMost,
        private float $share,
    ) {
    }

    /** @param  non-empty-list<AfterLeak>  $steps */
    public function check(Findings $found, array $steps): void
    {
        if ($this->allowed !== true) {
            $this->allowed === false ? $found->bad('after-leak-not-allowed') : $found->open('no-fact:after_leak_allowed');

            return;
        }
        foreach ($steps as $step) {
            $this->pressure($found, $step);
        }
        if (\count($steps) > \count(array_unique(array_map(fn (AfterLeak $s) => $s->bolt, $steps)))) {
            $found->bad('after-leak-twice');
        }
        if ($this->label === null) {
            $found->open('no-limit:label_torque_nm');

            return;
        }
        $most = min($this->label * (1 + $this->share), $this->labelMost ?? INF);
        foreach ($steps as $step) {
            Compare::atMost($step->torque, $most) || $found->bad('after-leak-over');
        }
    }

    private function pressure(Findings $found, AfterLeak $step): void
    {
        if ($step->pressure === null) {
            $found->open('no-fact:pressure_pa');
        } elseif ($this->pressureMost === null) {
            $found->open('no-limit:after_leak_pressure_max_pa');
        } elseif (! Compare::atMost($step->pressure, $this->pressureMost)) {
            $found->bad('after-leak-under-pressure');
        }
    }
}
