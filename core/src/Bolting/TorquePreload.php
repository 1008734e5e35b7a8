<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * What a torque pulls in a bolt, or the other way round, and how much of its proof stress that is. The condition of thread and nut
 * is part of the answer: lubricated bolts at a torque meant for dry ones pull far harder.
 */
#[Calculates(
    'torque-preload',
    'What does the torque pull in the bolt?',
    Family::Mechanical,
    [
        'preload_n', 'torque_nm', 'stress_pa', 'percent_proof', 'preload_low_n', 'preload_high_n', 'torque_long_nm', 'reasons',
        'notes', 'verdict',
    ],
    'T = K d F; long form VDI 2230 Part 1; nut factors and scatter from memory',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['over-proof', 'condition-differs', 'no-fact:*', 'no-limit:*']],
)]
final class TorquePreload
{
    /** @return array<string, mixed> `preload_low_n` to `preload_high_n`: what it may really be */
    public function __invoke(
        #[Number('nut_factor', min: 0.08, max: 0.4)] float $k,
        #[Measure('diameter_m', Quantity::Length, above: 0)] float $diameter,
        #[Number('area_m2', above: 0)] float $area,
        #[Measure('proof_pa', Quantity::Pressure, above: 0)] float $proof,
        #[Measure('torque_nm', Quantity::Torque, min: 0)] ?float $torque = null,
        #[Measure('preload_n', Quantity::Force, min: 0)] ?float $preload = null,
        #[Number('percent_max', above: 0, max: 100)] ?float $most = null,
        #[Number('scatter_frac', min: 0, max: 1)] ?float $scatter = null,
        #[Text('bolt_condition')] ?string $condition = null,
        #[Text('required_condition')] ?string $required = null,
        #[Measure('pitch_m', Quantity::Length, above: 0)] ?float $pitch = null,
        #[Number('mu_thread', above: 0, max: 1)] ?float $thread = null,
        #[Number('mu_head', above: 0, max: 1)] ?float $head = null,
        #[Measure('bearing_diameter_m', Quantity::Length, above: 0, about: 'mean of the ring')] ?float $bearing = null,
    ): array {
        if (($torque === null) === ($preload === null)) {
            throw Refused::field('torque_nm', 'torque_nm or preload_n is wanted: one of both.');
        }
        $force = $preload ?? (float) $torque / ($k * $diameter);
        $percent = 100 * $force / $area / $proof;
        $found = new Findings;
        $found->atMost($percent, $most, 'percent_max', 'over-proof');
        if ($condition === null) {
            $found->open('no-fact:bolt_condition');
        }
        if ($required === null) {
            $found->open('no-limit:required_condition');
        } elseif ($condition !== null && $condition !== $required) {
            $found->bad('condition-differs');
        }

        return [
            'preload_n' => $force, 'torque_nm' => $torque ?? $k * $diameter * $force, 'stress_pa' => $force / $area,
            'percent_proof' => $percent,
            'preload_low_n' => $scatter === null ? null : $force * (1 - $scatter),
            'preload_high_n' => $scatter === null ? null : $force * (1 + $scatter),
            'torque_long_nm' => $this->long($force, $diameter, $pitch, $thread, $head, $bearing),
        ] + $found->toArray();
    }

    /** The long form, once all that it rests on is given. */
    private function long(float $force, float $diameter, ?float $pitch, ?float $thread, ?float $head, ?float $bearing): ?float
    {
        $given = ['pitch_m' => $pitch, 'mu_thread' => $thread, 'mu_head' => $head, 'bearing_diameter_m' => $bearing];
        $missing = array_keys($given, null, true);
        if (\count($missing) === \count($given)) {
            return null;
        }
        if ($missing !== []) {
            throw Refused::field($missing[0], "{$missing[0]} is missing: the long form wants ".implode(', ', array_keys($given)).'.');
        }
        $flank = $diameter - 0.6495 * $pitch;
        if ($flank <= 0) {
            throw Refused::field('pitch_m', "pitch_m is {$pitch} m; the bolt is {$diameter} m thick.");
        }

        return $force * ($pitch / (2 * M_PI) + 0.57735 * $flank * $thread + $bearing / 2 * $head);
    }
}
