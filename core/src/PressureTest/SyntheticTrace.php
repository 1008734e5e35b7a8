<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;

/** A made-up decline for examples and practice: leak, creep, stretch, temperature and correlated noise, all stated. */
final readonly class SyntheticTrace
{
    private const MOST_SAMPLES = 1_000_000;

    public function __construct(
        #[Number('dt_s', above: 0)] public float $dt,
        #[Number('duration_s', above: 0, max: 1000000)] public float $duration,
        #[Number('p0_kpa', above: 0)] public float $p0,
        #[Number('leak_kpa_h')] public float $leak = 0.0,
        #[Number('power_n')] public ?float $powerN = null,
        #[Number('power_t0_s', above: 0)] public ?float $powerT0 = null,
        #[Number('line_kpa_h')] public float $line = 0.0,
        #[Number('exp_kpa')] public float $exp = 0.0,
        #[Number('exp_tau_s', above: 0)] public float $expTau = 1.0,
        #[Number('temp_slope_kpa_k')] public float $tempSlope = 0.0,
        #[Number('temp_amp_k')] public float $tempAmp = 0.0,
        #[Number('temp_period_s', above: 0)] public float $tempPeriod = 1.0,
        #[Number('temp_ramp_k_h')] public float $tempRamp = 0.0,
        #[Number('noise_kpa')] public float $noise = 0.0,
    ) {
        if ($duration / $dt > self::MOST_SAMPLES) {
            throw Refused::field(
                'dt_s',
                sprintf('dt_s is %g s: over %g s that makes more than %d samples.', $dt, $duration, self::MOST_SAMPLES),
            );
        }
    }

    /** @return list<list<float>> [s, kPa] or [s, kPa, °C] */
    public function series(): array
    {
        $withTemperature = $this->tempSlope != 0.0;
        $rows = [];
        for ($i = 0; $i * $this->dt <= $this->duration + 1e-9; $i++) {
            $t = $i * $this->dt;
            $p = match (true) {
                $this->powerN !== null => $this->p0 * (($t + (float) $this->powerT0) / (float) $this->powerT0) ** -$this->powerN,
                $this->leak != 0.0 => (sqrt($this->p0) - $this->leak * $t / (7200 * sqrt($this->p0))) ** 2,
                default => $this->p0,
            };
            $p -= $this->line * $t / 3600 + $this->exp * (1 - exp(-$t / $this->expTau));
            $p += $this->tempSlope * ($this->temperature($t) - $this->temperature(0));
            $p += $this->noise * self::noiseAt($t);
            $rows[] = $withTemperature ? [$t, $p, $this->temperature($t)] : [$t, $p];
        }

        return $rows;
    }

    public static function noiseAt(float $t): float
    {
        return sin(2 * M_PI * $t / 37) + 0.6 * sin(2 * M_PI * $t / 101 + 1) + 0.3 * sin(2 * M_PI * $t / 613 + 2);
    }

    private function temperature(float $t): float
    {
        return 15 + $this->tempAmp * sin(2 * M_PI * $t / $this->tempPeriod) + $this->tempRamp * $t / 3600;
    }
}
