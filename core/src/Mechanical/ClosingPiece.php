<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * How long the piece between two couplings is cut, the window that the gaps leave, and where the sleeves are parked meanwhile.
 * A piece cut hot is cut longer: it shrinks to fit in the trench.
 */
#[Calculates(
    'mechanical-closing-piece',
    'How long is the piece between two couplings cut?',
    Family::Mechanical,
    [
        'opening_m', 'piece_m', 'piece_min_m', 'piece_max_m', 'opening_mm', 'piece_mm', 'piece_min_mm', 'piece_max_mm', 'reasons',
        'notes', 'verdict',
    ],
    'Geometry; thermal expansion of the pipe wall',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'reasons' => [
            'ends-not-square', 'gap-low', 'gap-high', 'piece-too-short-to-park', 'bare-too-short', 'coupler-has-stop', 'no-fact:*',
            'no-limit:*',
        ],
    ],
)]
final class ClosingPiece
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Choice('method', ['double-coupling', 'positive-stop', 'ef'])] string $method,
        #[Measure('gap1_m', Quantity::Length, min: 0, about: 'aimed at')] float $gap1,
        #[Measure('gap2_m', Quantity::Length, min: 0, about: 'aimed at')] float $gap2,
        #[Measure('coupling1_length_m', Quantity::Length, above: 0)] float $coupling1,
        #[Measure('coupling2_length_m', Quantity::Length, above: 0)] float $coupling2,
        #[Choice('park', ['on-piece', 'on-main', 'split'])] string $park,
        #[Measure('alpha_per_k', Quantity::Expansion, min: 0, max: 3e-4, about: '0: no correction')] float $alpha,
        #[Measure('opening_m', Quantity::Length, above: 0, about: 'between the old ends')] ?float $opening = null,
        #[Measure('opening_top_m', Quantity::Length, above: 0)] ?float $top = null,
        #[Measure('opening_bottom_m', Quantity::Length, above: 0)] ?float $bottom = null,
        #[Measure('opening_diff_max_m', Quantity::Length, min: 0)] ?float $differenceMost = null,
        #[Measure('gap_min_m', Quantity::Length, min: 0)] ?float $gapLeast = null,
        #[Measure('gap_max_m', Quantity::Length, min: 0)] ?float $gapMost = null,
        #[Choice('coupler_stop', ['none', 'removable', 'fixed'])] ?string $stop = null,
        #[Measure('bare1_m', Quantity::Length, min: 0, about: 'clean bare pipe on the old end')] ?float $bare1 = null,
        #[Measure('bare2_m', Quantity::Length, min: 0, about: 'clean bare pipe on the old end')] ?float $bare2 = null,
        #[Measure('t_piece_degc', Quantity::Temperature)] ?float $piece = null,
        #[Measure('t_main_degc', Quantity::Temperature)] ?float $main = null,
    ): array {
        Limits::mustRise($gapLeast, $gapMost, 'gap_max_m');
        $found = new Findings;
        $wide = $this->opening($found, $opening, $top, $bottom, $differenceMost);
        if ($gap1 + $gap2 >= $wide) {
            throw Refused::field('opening_m', "opening_m is {$wide} m; the gaps alone take ".($gap1 + $gap2).' m.');
        }
        $factor = $this->factor($alpha, $piece, $main);
        $length = ($wide - $gap1 - $gap2) * $factor;
        foreach ([$gap1, $gap2] as $gap) {
            $found->atLeast($gap, $gapLeast, 'gap_min_m', 'gap-low');
        }
        foreach ([$gap1, $gap2] as $gap) {
            $found->atMost($gap, $gapMost, 'gap_max_m', 'gap-high');
        }
        $this->parked($found, $park, $length, [$coupling1, $coupling2], [$bare1, $bare2]);
        $stop === null ? $found->open('no-fact:coupler_stop') : $found->fact($stop !== 'fixed', 'coupler_stop', 'coupler-has-stop');

        $shortest = $gapMost === null ? null : ($wide - 2 * $gapMost) * $factor;
        $longest = $gapLeast === null ? null : ($wide - 2 * $gapLeast) * $factor;

        return [
            'opening_m' => $wide, 'piece_m' => $length, 'piece_min_m' => $shortest, 'piece_max_m' => $longest,
            'opening_mm' => Si::mm($wide), 'piece_mm' => Si::mm($length), 'piece_min_mm' => $shortest === null ? null : Si::mm($shortest),
            'piece_max_mm' => $longest === null ? null : Si::mm($longest),
        ] + $found->toArray();
    }

    private function opening(Findings $found, ?float $opening, ?float $top, ?float $bottom, ?float $differenceMost): float
    {
        if ($top === null && $bottom === null) {
            return $opening ?? throw Refused::field('opening_m', 'opening_m is missing: measure it, or at top and bottom.');
        }
        if ($opening !== null) {
            throw Refused::field('opening_m', 'opening_m is given beside opening_top_m and opening_bottom_m: give one or the other.');
        }
        $both = [
            $top ?? throw Refused::field('opening_top_m', 'opening_top_m is missing beside opening_bottom_m.'),
            $bottom ?? throw Refused::field('opening_bottom_m', 'opening_bottom_m is missing beside opening_top_m.'),
        ];
        $found->atMost(abs($both[0] - $both[1]), $differenceMost, 'opening_diff_max_m', 'ends-not-square');

        return array_sum($both) / 2;
    }

    private function factor(float $alpha, ?float $piece, ?float $main): float
    {
        if ($alpha == 0.0) {
            return 1.0;
        }
        if ($alpha < 1e-6) {
            throw Refused::field('alpha_per_k', "alpha_per_k is {$alpha}; allowed is 0, or 1.0E-6 to 0.0003 1/K.");
        }

        return 1 + $alpha * (
            ($piece ?? throw Refused::field('t_piece_degc', 't_piece_degc is missing: the correction needs it.')) -
            ($main ?? throw Refused::field('t_main_degc', 't_main_degc is missing: the correction needs it.'))
        );
    }

    /**
     * @param  array{float, float}  $couplings  m
     * @param  array{float|null, float|null}  $bare  m
     */
    private function parked(Findings $found, string $park, float $piece, array $couplings, array $bare): void
    {
        $onPiece = match ($park) {
            'on-piece' => array_sum($couplings), 'split' => $couplings[0], default => 0.0,
        };
        Compare::atLeast($piece, $onPiece) || $found->bad('piece-too-short-to-park');
        $ends = match ($park) {
            'on-main' => [0, 1], 'split' => [1], default => [],
        };
        foreach ($ends as $i) {
            $key = 'bare'.($i + 1).'_m';
            $clean = $bare[$i] ?? throw Refused::field($key, "{$key} is missing: the sleeve is parked there.");
            Compare::atLeast($clean, $couplings[$i]) || $found->bad('bare-too-short');
        }
    }
}
