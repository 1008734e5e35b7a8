<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** How far a string of locked joints still grows under pressure: it pushes bends sideways and unloads caps. */
#[Calculates(
    'lock-slack',
    'How far will the locked string grow under test?',
    Family::Gasketed,
    ['total_slack_m', 'growth_m'],
    'Arithmetic: joints, the slack of one, and what was pulled out',
)]
final class LockSlack
{
    /** @return array{total_slack_m: float, growth_m: float} */
    public function __invoke(
        #[Number('joints', min: 1, whole: true)] float $joints,
        #[Measure('slack_m', Quantity::Length, min: 0, max: 0.2, about: 'of one joint')] float $slack,
        #[Number('taken_up_ratio', min: 0, max: 1, about: '0: nothing was pulled out, 1: all')] float $takenUp,
    ): array {
        return ['total_slack_m' => $joints * $slack, 'growth_m' => $joints * $slack * (1 - $takenUp)];
    }
}
