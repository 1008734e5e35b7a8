<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** How many more passes of the peeling tool the pipe can take before a limit of diameter, gap or wall is reached. */
#[Calculates(
    'scrape-budget',
    'How many more passes can the pipe take?',
    Family::Electrofusion,
    ['passes', 'limited_by', 'od_after_mm'],
    'Geometry; limits from pipe table, fitting and procedure',
)]
final class ScrapeBudget
{
    /** A pass that just reaches its limit counts in spite of binary rounding. */
    private const SLACK = 1e-6;

    /** @return array{passes: int, limited_by: string, od_after_mm: float} */
    public function __invoke(
        #[Measure('od_mm', Quantity::Length, above: 0)] float $od,
        #[Measure('depth_per_pass_mm', Quantity::Length, above: 0)] float $depth,
        #[Measure('od_min_mm', Quantity::Length, above: 0)] ?float $odMin = null,
        #[Measure('bore_mm', Quantity::Length, above: 0, about: 'bore of the coupling, with gap_max_mm')] ?float $bore = null,
        #[Measure('gap_max_mm', Quantity::Length, min: 0)] ?float $gapMax = null,
        #[Measure('wall_mm', Quantity::Length, above: 0, about: 'with wall_min_mm')] ?float $wall = null,
        #[Measure('wall_min_mm', Quantity::Length, above: 0)] ?float $wallMin = null,
    ): array {
        self::bothOrNone(['bore_mm' => $bore, 'gap_max_mm' => $gapMax]);
        self::bothOrNone(['wall_mm' => $wall, 'wall_min_mm' => $wallMin]);
        $room = array_filter([
            'od_min' => $odMin === null ? null : ($od - $odMin) / (2 * $depth),
            'gap' => $bore === null ? null : ($od - $bore + 2 * (float) $gapMax) / (2 * $depth),
            'wall' => $wall === null ? null : ($wall - (float) $wallMin) / $depth,
        ], fn (?float $n) => $n !== null);
        if ($room === []) {
            throw Refused::field('od_min_mm', 'od_min_mm is missing: give a least diameter, or bore and gap, or wall and least wall.');
        }
        $least = min($room);
        $passes = max(0, (int) floor($least + self::SLACK));

        return [
            'passes' => $passes,
            'limited_by' => (string) array_key_first(array_filter($room, fn (float $n) => $n <= $least + 1e-9)),
            'od_after_mm' => Si::mm($od - 2 * $depth * $passes),
        ];
    }

    /** @param  array<string, float|null>  $pair */
    private static function bothOrNone(array $pair): void
    {
        $missing = array_keys($pair, null, true);
        if (\count($missing) === 1) {
            throw Refused::field(
                $missing[0],
                "{$missing[0]} is missing: it belongs to ".implode('', array_diff(array_keys($pair), $missing)).'.',
            );
        }
    }
}
