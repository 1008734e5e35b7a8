<?php

declare(strict_types=1);

namespace Diastoma\Core\Tapping;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Units\Quantity;

/** Whether taps stand far enough from each other, along and round the pipe, and from its joints. */
#[Calculates(
    'tap-spacing',
    'Do the taps stand far enough apart?',
    Family::Mechanical,
    ['nearest_tap_m', 'nearest_joint_m', 'reasons', 'notes', 'verdict'],
    "Limits of the user's standard; AWWA C605 family for PVC, from memory",
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['taps-close', 'taps-in-line', 'joint-close', 'no-limit:*']],
)]
final class TapSpacing
{
    /**
     * @param  non-empty-list<Tap>  $taps
     * @param  list<float|int>  $joints  m, chainages of joints and ends
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('taps', Tap::class)] array $taps,
        #[Numbers('joints_m', whole: false)] array $joints,
        #[Measure('spacing_min_m', Quantity::Length, min: 0)] ?float $spacing = null,
        #[Number('stagger_deg', min: 0, max: 180)] ?float $stagger = null,
        #[Measure('inline_min_m', Quantity::Length, min: 0)] ?float $inline = null,
        #[Measure('joint_min_m', Quantity::Length, min: 0)] ?float $toJoint = null,
    ): array {
        $found = new Findings;
        $pairs = [];
        foreach ($taps as $i => $tap) {
            foreach (\array_slice($taps, $i + 1) as $other) {
                $pairs[] = [abs($tap->chainage - $other->chainage), $tap->turnedFrom($other)];
            }
        }
        $nearest = $pairs === [] ? null : min(array_column($pairs, 0));
        $found->atLeast($nearest, $spacing, 'spacing_min_m', 'taps-close');
        if ($stagger === null) {
            $found->open('no-limit:stagger_deg');
        } elseif ($stagger > 0) {
            $inLine = array_column(array_filter($pairs, fn (array $pair) => ! Compare::atLeast($pair[1], $stagger)), 0);
            $found->atLeast($inLine === [] ? null : min($inLine), $inline, 'inline_min_m', 'taps-in-line');
        }
        $distances = [];
        foreach ($taps as $tap) {
            array_push($distances, ...array_map(fn (float|int $joint) => abs($tap->chainage - $joint), $joints));
        }
        $toNearest = $distances === [] ? null : (float) min($distances);
        $found->atLeast($toNearest, $toJoint, 'joint_min_m', 'joint-close');

        return ['nearest_tap_m' => $nearest, 'nearest_joint_m' => $toNearest] + $found->toArray();
    }
}
