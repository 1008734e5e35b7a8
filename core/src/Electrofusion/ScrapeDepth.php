<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * Depth of the peel from the tape (before and after), the mass of the ribbon, or the thickness of a chip.
 *
 * A chip is normally thicker than the cut, so it may prove bad, never good.
 */
#[Calculates(
    'scrape-depth',
    'Is enough skin taken off, and not too much?',
    Family::Electrofusion,
    [
        'depth_mm',
        'basis',
        'u95_depth_mm',
        'depth_ribbon_mm',
        'depth_chip_mm',
        'sdr_after',
        'wall_loss_pct',
        'min_used_mm',
        'reasons',
        'verdict',
    ],
    'Geometry; limits from the procedure (0.2 mm least, 0.4 mm most, by hand never less than 0.2 mm: common practice)',
    codes: ['reasons' => ['too-little', 'too-little-by-hand', 'too-much']],
)]
final class ScrapeDepth
{
    /** Least depth by hand, m: common practice. */
    public const HAND_MIN_M = 0.0002;

    /** A hand blade misses places: a label may raise the least depth, not lower it. */
    public static function least(?float $min, string $tool, float $handMin): ?float
    {
        return $tool === 'hand' ? max($min ?? 0.0, $handMin) : $min;
    }

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('od_before_mm', Quantity::Length, above: 0)] ?float $before = null,
        #[Measure('od_after_mm', Quantity::Length, above: 0)] ?float $after = null,
        #[Measure('ribbon_g', Quantity::Mass, above: 0)] ?float $ribbon = null,
        #[Measure('length_mm', Quantity::Length, above: 0)] ?float $length = null,
        #[Measure('density_kgm3', Quantity::Density, min: 800, max: 1100)] float $density = 950.0,
        #[Measure('chip_mm', Quantity::Length, above: 0)] ?float $chip = null,
        #[Number('chip_ratio', min: 1, max: 3)] float $chipRatio = 1.0,
        #[Measure('u_tape_mm', Quantity::Length, min: 0)] float $uTape = 0.0001,
        #[Measure('min_mm', Quantity::Length, min: 0)] ?float $min = null,
        #[Measure('max_mm', Quantity::Length, min: 0)] ?float $max = null,
        #[Measure('wall_mm', Quantity::Length, above: 0)] ?float $wall = null,
        #[Choice('tool', ['rotary', 'hand'])] string $tool = 'rotary',
        #[Measure('hand_min_mm', Quantity::Length, min: 0.17, max: 0.5, about: 'least depth by hand, whatever the label says')]
        float $handMin = self::HAND_MIN_M,
    ): array {
        $given = $min;
        $min = self::least($given, $tool, $handMin);
        $byRibbon = $ribbon === null ? null : $this->fromRibbon($before, $ribbon, $length, $density);
        $byChip = $chip === null ? null : $chip / $chipRatio;
        if ($after !== null && $before === null) {
            throw Refused::field('od_before_mm', 'od_before_mm is missing: od_after_mm alone tells no depth.');
        }
        if ($after !== null && $after > $before + Compare::slack($after)) {
            throw Refused::field(
                'od_after_mm',
                sprintf('od_after_mm is %g mm, more than before (%g mm).', Si::mm($after), Si::mm((float) $before)),
            );
        }
        [$depth, $basis, $u] = match (true) {
            $after !== null => [((float) $before - $after) / 2, 'od', 1.96 * M_SQRT2 * $uTape / 2],
            $byRibbon !== null => [$byRibbon, 'ribbon', null],
            $byChip !== null => [$byChip, 'chip', null],
            default => throw Refused::field(
                'od_after_mm',
                'od_after_mm is missing: give the tape before and after, or ribbon_g with length_mm, or chip_mm.',
            ),
        };

        return [
            'depth_mm' => Si::mm($depth),
            'basis' => $basis,
            'u95_depth_mm' => $u === null ? null : Si::mm($u),
            'depth_ribbon_mm' => $byRibbon === null ? null : Si::mm($byRibbon),
            'depth_chip_mm' => $byChip === null ? null : Si::mm($byChip),
            'sdr_after' => $wall === null || $before === null ? null : ($before - 2 * $depth) / ($wall - $depth),
            'wall_loss_pct' => $wall === null ? null : 100 * $depth / $wall,
            'min_used_mm' => $min === null ? null : Si::mm($min),
            'reasons' => [
                ...($min !== null && ! Compare::atLeast($depth, $min) ? [$min === $given ? 'too-little' : 'too-little-by-hand'] : []),
                ...($max !== null && ! Compare::atMost($depth, $max) ? ['too-much'] : []),
            ],
            'verdict' => $this->judge($depth, $basis, $u, $min, $max)->value,
        ];
    }

    private function fromRibbon(?float $od, float $mass, ?float $length, float $density): float
    {
        foreach (['od_before_mm' => $od, 'length_mm' => $length] as $key => $value) {
            if ($value === null) {
                throw Refused::field($key, "{$key} is missing: the ribbon's mass needs it.");
            }
        }
        $root = (float) $od ** 2 - 4 * $mass / ($density * M_PI * (float) $length);
        if ($root < 0) {
            throw Refused::field('ribbon_g', sprintf('ribbon_g is %g g: more than the whole pipe over that length.', $mass * 1000));
        }

        return ((float) $od - sqrt($root)) / 2;
    }

    private function judge(float $depth, string $basis, ?float $u, ?float $min, ?float $max): Verdict
    {
        if (($min !== null && ! Compare::atLeast($depth, $min)) || ($max !== null && ! Compare::atMost($depth, $max))) {
            return Verdict::Bad;
        }
        if ($min === null || $basis === 'chip') {
            return Verdict::Open;
        }
        $near = $u !== null && ($depth - $u < $min - Compare::slack($min) || ($max !== null && $depth + $u > $max + Compare::slack($max)));

        return $near ? Verdict::Close : Verdict::Good;
    }
}
