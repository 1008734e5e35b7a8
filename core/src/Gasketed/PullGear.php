<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * What a lever, a rope or a hoist makes of the force of a hand. What a joint needs nobody can tell beforehand: it is logged,
 * and a jump among joints of one size means a rolled gasket or a lean.
 */
#[Calculates(
    'pull-gear',
    'How hard does the gear pull?',
    Family::Gasketed,
    ['force_n', 'pass', 'verdict'],
    'Statics',
    verdicts: ['good', 'bad', 'open'],
)]
final class PullGear
{
    /** @return array{force_n: float, pass: bool|null, verdict: string} */
    public function __invoke(
        #[Measure('hand_n', Quantity::Force, min: 0, max: 2000)] float $hand,
        #[Number('ratio', above: 0, about: 'of the lever arms, parts of the rope, or the hoist')] float $ratio,
        #[Number('efficiency', above: 0, max: 1)] float $efficiency,
        #[Measure('limit_n', Quantity::Force, above: 0)] ?float $limit = null,
    ): array {
        $force = $hand * $ratio * $efficiency;
        $pass = $limit === null ? null : Compare::atMost($force, $limit);

        return ['force_n' => $force, 'pass' => $pass, 'verdict' => Verdict::ofPass($pass)->value];
    }
}
