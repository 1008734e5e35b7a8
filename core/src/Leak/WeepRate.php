<?php

declare(strict_types=1);

namespace Diastoma\Core\Leak;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** What a weep loses, caught in a vessel or counted in drops. */
#[Calculates(
    'weep-rate',
    'How much does a weep lose?',
    Family::Mechanical,
    ['flow_m3_s', 'flow_l_h'],
    'Arithmetic; about 20 drops a millilitre is common practice',
)]
final class WeepRate
{
    private const DROP = 5e-8;

    /** @return array{flow_m3_s: float, flow_l_h: float} */
    public function __invoke(
        #[Measure('caught_m3', Quantity::Volume, min: 0)] ?float $caught = null,
        #[Measure('time_s', Quantity::Time, above: 0)] ?float $time = null,
        #[Number('drops_per_min', min: 0)] ?float $drops = null,
        #[Measure('drop_m3', Quantity::Volume, above: 0)] float $drop = self::DROP,
    ): array {
        if (($caught === null) === ($drops === null)) {
            throw Refused::field('caught_m3', 'caught_m3 or drops_per_min is wanted: one of both.');
        }
        $flow = $caught === null
            ? (float) $drops / 60 * $drop
            : $caught / ($time ?? throw Refused::field('time_s', 'time_s is missing: over which time was it caught?'));

        return ['flow_m3_s' => $flow, 'flow_l_h' => $flow * 3.6e6];
    }
}
