<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/** Depth of a scratch as a share of the wall (measured or minimum wall). */
#[Calculates(
    'gouge-check',
    'Is the scratch too deep?',
    Family::Electrofusion,
    ['depth_pct', 'verdict'],
    'Limit from the procedure; 10 % of the wall is common practice',
    verdicts: ['good', 'bad', 'open'],
)]
final class GougeCheck
{
    /** @return array{depth_pct: float, verdict: string} */
    public function __invoke(
        #[Measure('depth_mm', Quantity::Length, min: 0)] float $depth,
        #[Measure('wall_mm', Quantity::Length, above: 0)] float $wall,
        #[Number('limit_pct', min: 0, max: 100)] ?float $limit = null,
    ): array {
        if ($depth > $wall) {
            throw Refused::field('depth_mm', sprintf('depth_mm is %g mm, more than the wall of %g mm.', Si::mm($depth), Si::mm($wall)));
        }
        $percent = 100 * $depth / $wall;

        return [
            'depth_pct' => $percent,
            'verdict' => ($limit === null ? Verdict::Open : (Compare::atMost($percent, $limit) ? Verdict::Good : Verdict::Bad))->value,
        ];
    }
}
