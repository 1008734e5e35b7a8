<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** May this plant go over the pipe yet? A chart of plant against cover is the procedure's; its row is the least cover here. */
#[Calculates(
    'cover-before-plant',
    'Is there cover enough for this plant?',
    Family::Gasketed,
    ['required_m', 'pass', 'shortfall_m', 'verdict'],
    'EN 1610: 0.30 m before the main fill is compacted over the crown; the rest common practice',
)]
final class CoverBeforePlant
{
    /** @return array{required_m: float, pass: bool, shortfall_m: float, verdict: string} without an uncertainty close at best */
    public function __invoke(
        #[Measure('cover_m', Quantity::Length, min: 0, max: 30)] float $cover,
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] float $od,
        #[Measure('min_cover_m', Quantity::Length, min: 0, max: 10)] float $least,
        #[Number('min_cover_od', min: 0, max: 5, about: 'times the diameter')] float $byDiameter = 0.0,
        #[Measure('cover_u_m', Quantity::Length, min: 0, about: 'uncertainty of the cover, k = 2')] ?float $uncertainty = null,
    ): array {
        $required = max($least, $byDiameter * $od);
        $pass = Compare::atLeast($cover, $required);
        $verdict = match (true) {
            ! $pass => Verdict::Bad,
            $uncertainty === null || ! Compare::atLeast($cover - $uncertainty, $required) => Verdict::Close,
            default => Verdict::Good,
        };

        return [
            'required_m' => $required,
            'pass' => $pass,
            'shortfall_m' => max(0.0, $required - $cover),
            'verdict' => $verdict->value,
        ];
    }
}
