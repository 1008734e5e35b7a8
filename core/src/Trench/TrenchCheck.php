<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Units\Quantity;

/**
 * An open trench held against what its depth asks for. That nothing was found never means that it is safe: the competent person on
 * site decides.
 */
#[Calculates(
    'trench-check',
    'Is something missing at this open trench?',
    Family::Gasketed,
    ['slope_needed_h_per_v', 'spoil_needed_m', 'protection_needed', 'way_out_needed', 'reasons', 'notes', 'verdict', 'defer_to'],
    'OSHA 29 CFR 1926 subpart P, by its depths; other codes have other depths',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'reasons' => [
            'unprotected', 'too-steep', 'not-designed', 'no-way-out', 'spoil-too-near', 'standing-water', 'air-not-tested',
            'nobody-competent', 'no-fact:way_out', 'no-fact:spoil_back_m', 'no-fact:water', 'no-fact:air_tested', 'no-fact:competent',
            'no-fact:designed', 'no-fact:slope_h_per_v',
        ],
        'defer_to' => ['competent-person'],
    ],
)]
final class TrenchCheck
{
    /** @return array<string, mixed> slope: run for each metre of rise; null: an engineer designs it */
    public function __invoke(
        #[Measure('depth_m', Quantity::Length, min: 0, max: 30)] float $depth,
        #[Choice('soil', ['rock', 'A', 'B', 'C'], about: 'soil that nobody has classified is C; one that was dug before is never A')]
        string $soil,
        #[Choice('protection', ['none', 'sloped', 'shored', 'shield'])] string $protection,
        #[Flag('competent')] ?bool $competent = null,
        #[Number('slope_h_per_v', min: 0, max: 10, about: 'of the walls, run for each metre of rise')] ?float $slope = null,
        #[Flag('designed')] ?bool $designed = null,
        #[Flag('way_out')] ?bool $wayOut = null,
        #[Measure('spoil_back_m', Quantity::Length, min: 0, max: 50)] ?float $spoil = null,
        #[Choice('water', ['dry', 'kept-below', 'standing'])] ?string $water = null,
        #[Flag('air_tested')] ?bool $air = null,
    ): array {
        $asks = (new TrenchReminder)($depth, $soil);
        $found = new Findings;
        $found->fact($competent, 'competent', 'nobody-competent');
        if ($asks['protection_required'] && $protection === 'none') {
            $found->bad('unprotected');
        }
        if ($protection === 'sloped' && $asks['slope_h_per_v'] !== null) {
            if ($slope === null) {
                $found->open('no-fact:slope_h_per_v');
            } elseif (! Compare::atLeast($slope, $asks['slope_h_per_v'])) {
                $found->bad('too-steep');
            }
        }
        if ($asks['engineer_required']) {
            $found->fact($designed, 'designed', 'not-designed');
        }
        if ($asks['egress_required']) {
            $found->fact($wayOut, 'way_out', 'no-way-out');
        }
        if ($asks['air_test_consider']) {
            $found->fact($air, 'air_tested', 'air-not-tested');
        }
        if ($spoil === null) {
            $found->open('no-fact:spoil_back_m');
        } elseif (! Compare::atLeast($spoil, $asks['spoil_back_m'])) {
            $found->bad('spoil-too-near');
        }
        if ($water === null) {
            $found->open('no-fact:water');
        } elseif ($water === 'standing') {
            $found->bad('standing-water');
        }

        return [
            'slope_needed_h_per_v' => $asks['slope_h_per_v'],
            'spoil_needed_m' => $asks['spoil_back_m'],
            'protection_needed' => $asks['protection_required'],
            'way_out_needed' => $asks['egress_required'],
            'defer_to' => $asks['defer_to'],
        ] + $found->toArray();
    }
}
