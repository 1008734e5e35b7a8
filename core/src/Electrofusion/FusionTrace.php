<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Was the fusion good, and at which second not? Samples are [t s, U V, I A(, °C)]. */
#[Calculates(
    'fusion-trace',
    'Was the fusion good, and at which second not?',
    Family::Electrofusion,
    ['energy_j', 'energy_pct', 'fused_s', 'start_r_ohm', 'events', 'verdict'],
    'Voltage tolerance from memory: ISO 12176-2; energy and drop limits common practice; all from the procedure',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'events' => [
            'under-voltage',
            'over-voltage',
            'supply-lost',
            'open-circuit',
            'turn-short',
            'wrong-fitting-suspected',
            'resistance-out-of-window',
            'early-end',
            'late-end',
            'energy-low',
            'energy-high',
            'no-power',
            'data-gap',
        ],
    ],
)]
final class FusionTrace
{
    /** Manual entry without a resistance: from this current on the fitting counts as powered, A (a choice of the model). */
    private const POWERED_A = 0.5;

    /**
     * @param  list<list<float>>  $samples
     * @param  bool  $ended  false while it still runs: what only the end can show (early end, too little energy, no power)
     *     is not looked for
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Rows('samples', ['t_s', 'u_v', 'i_a', 'temp_c'], atLeast: 2, optional: 1)] array $samples,
        #[Measure('u_nom_v', Quantity::Voltage, above: 0, max: 300)] float $nominal,
        #[Measure('t_plan_s', Quantity::Time, above: 0)] float $plan,
        #[Measure('r_nom_ohm', Quantity::Resistance, above: 0, max: 100)] ?float $resistance = null,
        #[Number('u_tol_pct', min: 0, max: 50)] ?float $uTolerance = null,
        #[Measure('settle_s', Quantity::Time, min: 0)] float $settle = 5.0,
        #[Measure('hold_s', Quantity::Time, min: 0)] float $hold = 2.0,
        #[Measure('t_tol_s', Quantity::Time, min: 0)] float $tTolerance = 1.0,
        #[Number('e_tol_pct', min: 0, max: 100)] ?float $eTolerance = null,
        #[Measure('e_nom_j', Quantity::Energy, above: 0)] ?float $eNominal = null,
        #[Number('r_tol_pct', min: 0, max: 100)] ?float $rTolerance = null,
        #[Measure('contact_ohm', Quantity::Resistance, min: 0)] float $contact = 0.0,
        #[Measure('r_cold_ohm', Quantity::Resistance, above: 0)] ?float $rCold = null,
        #[Number('r_drop_pct', above: 0, max: 100)] float $rDrop = 5.0,
        #[Measure('r_window_s', Quantity::Time, above: 0)] float $rWindow = 2.0,
        #[Measure('sample_gap_max_s', Quantity::Time, above: 0)] float $gapMax = 5.0,
        #[Number('wrong_ratio', min: 1)] float $wrongRatio = 1.3,
        #[Flag('ended')] bool $ended = true,
    ): array {
        foreach ($samples as $i => $row) {
            if ($row[1] < 0 || $row[2] < 0) {
                throw Refused::field('samples', 'samples, row '.($i + 1).': voltage and current must not be negative.');
            }
        }
        $eNominal ??= $resistance === null ? null : $nominal ** 2 * $plan / $resistance;
        $leastCurrent = $resistance === null ? self::POWERED_A : 0.05 * $nominal / $resistance;
        $leastVoltage = 0.2 * $nominal;
        $live = fn (array $row) => $row[1] >= $leastVoltage;
        $powered = array_map(fn (array $row) => $row[1] >= $leastVoltage && $row[2] >= $leastCurrent, $samples);
        $on = array_keys($powered, true, true);
        if ($on === []) {
            $any = array_filter($samples, $live) !== [];

            return [
                'energy_j' => 0.0,
                'energy_pct' => $eNominal === null ? null : 0.0,
                'fused_s' => 0.0,
                'start_r_ohm' => $rCold,
                'events' => $ended ? [['code' => $any ? 'open-circuit' : 'no-power', 't_s' => $samples[0][0]]] : [],
                'verdict' => $ended ? 'bad' : 'open',
            ];
        }
        [$first, $last] = [$on[0], $on[\count($on) - 1]];
        [$t0, $t1] = [$samples[$first][0], $samples[$last][0]];
        $events = [];
        $start = $rCold ?? $samples[$first][1] / $samples[$first][2];
        if ($resistance !== null && $rTolerance !== null) {
            array_push($events, ...$this->startResistance($start, $t0, $resistance, $rTolerance, $contact, $wrongRatio));
        }
        array_push($events, ...$this->interruptions($samples, $powered, $first, $last, $live));
        if ($uTolerance !== null) {
            $slack = 1e-9 * $nominal;
            [$low, $high] = [$nominal * (1 - $uTolerance / 100) - $slack, $nominal * (1 + $uTolerance / 100) + $slack];
            array_push($events, ...(new TraceVoltage($samples, $powered, $t0 + $settle, $low, $high, $hold))->events());
        }
        $short = (new TraceTurns($samples, $powered, $t0 + $settle, 1 - $rDrop / 100, $rWindow, $hold))->shortAt();
        if ($short !== null) {
            $events[] = ['code' => 'turn-short', 't_s' => $short];
        }
        for ($i = $first + 1; $i <= $last; $i++) {
            if ($samples[$i][0] - $samples[$i - 1][0] > $gapMax + 1e-9) {
                $events[] = ['code' => 'data-gap', 't_s' => $samples[$i - 1][0]];
            }
        }
        [$energy, $fused] = $this->energy($samples, $powered);
        array_push(
            $events,
            ...array_filter(
                $this->duration($samples, $last, $t1 - $t0, $plan, $tTolerance, $live),
                fn (array $e) => $ended || $e['code'] === 'late-end',
            ),
        );
        if ($eTolerance !== null && $resistance !== null && $eNominal !== null) {
            $slack = 1e-9 * $eNominal;
            if ($ended && $energy < $eNominal * (1 - $eTolerance / 100) - $slack) {
                $events[] = ['code' => 'energy-low', 't_s' => $t1];
            } elseif ($energy > $eNominal * (1 + $eTolerance / 100) + $slack) {
                $events[] = ['code' => 'energy-high', 't_s' => $t1];
            }
        }
        usort($events, fn ($a, $b) => $a['t_s'] <=> $b['t_s']);
        $codes = array_column($events, 'code');
        $allRun = $uTolerance !== null && $eTolerance !== null && $rTolerance !== null && $resistance !== null;

        return [
            'energy_j' => $energy, 'energy_pct' => $eNominal === null ? null : 100 * $energy / $eNominal, 'fused_s' => $fused,
            'start_r_ohm' => $start, 'events' => $events,
            'verdict' => array_diff($codes, ['data-gap']) !== [] ? 'bad' : ($codes !== [] || ! $allRun || ! $ended ? 'open' : 'good'),
        ];
    }

    /** @return list<array{code: string, t_s: float}> */
    private function startResistance(float $start, float $t0, float $nominal, float $tolerance, float $contact, float $wrongRatio): array
    {
        $slack = 1e-9 * $nominal;
        if ($start >= $nominal * (1 - $tolerance / 100) - $slack && $start <= $nominal * (1 + $tolerance / 100) + $contact + $slack) {
            return [];
        }
        $events = [['code' => 'resistance-out-of-window', 't_s' => $t0]];
        if ($start > $nominal * $wrongRatio || $start < $nominal / $wrongRatio) {
            $events[] = ['code' => 'wrong-fitting-suspected', 't_s' => $t0];
        }

        return $events;
    }

    /**
     * @param  list<list<float>>  $samples
     * @param  list<bool>  $powered
     * @return list<array{code: string, t_s: float}>
     */
    private function interruptions(array $samples, array $powered, int $first, int $last, callable $live): array
    {
        $events = [];
        for ($i = $first + 1; $i < $last; $i++) {
            if (! $powered[$i] && $powered[$i - 1]) {
                $events[] = ['code' => $live($samples[$i]) ? 'open-circuit' : 'supply-lost', 't_s' => $samples[$i][0]];
            }
        }

        return $events;
    }

    /**
     * @param  list<list<float>>  $samples
     * @param  list<bool>  $powered
     * @return array{float, float} energy J, seconds fused; energy that was not seen is not credited
     */
    private function energy(array $samples, array $powered): array
    {
        $energy = $seconds = 0.0;
        for ($i = 1, $n = \count($samples); $i < $n; $i++) {
            if ($powered[$i] && $powered[$i - 1]) {
                $dt = $samples[$i][0] - $samples[$i - 1][0];
                $energy += 0.5 * ($samples[$i][1] * $samples[$i][2] + $samples[$i - 1][1] * $samples[$i - 1][2]) * $dt;
                $seconds += $dt;
            }
        }

        return [$energy, $seconds];
    }

    /**
     * @param  list<list<float>>  $samples
     * @return list<array{code: string, t_s: float}>
     */
    private function duration(array $samples, int $last, float $lasted, float $plan, float $tolerance, callable $live): array
    {
        $end = $samples[$last][0];
        if ($lasted > $plan + $tolerance + 1e-9) {
            return [['code' => 'late-end', 't_s' => $end]];
        }
        if ($lasted >= $plan - $tolerance - 1e-9) {
            return [];
        }
        $events = [['code' => 'early-end', 't_s' => $end]];
        if (isset($samples[$last + 1]) && $live($samples[$last + 1])) {
            $events[] = ['code' => 'open-circuit', 't_s' => $samples[$last + 1][0]];
        }

        return $events;
    }
}
