<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Refused;

/** Where each lift ends, both sides together: equal lifts in each zone, so that one ends at the zone's top. */
#[Calculates(
    'lift-plan',
    'Where does each lift end?',
    Family::Gasketed,
    ['lift_count', 'tops_m'],
    'Equal lifts; their thickness is the procedure\'s',
)]
final class LiftPlan
{
    /**
     * @param  non-empty-list<LiftZone>  $zones  heights above the trench bottom, m, each from where the one before it ends
     * @return array{lift_count: int, tops_m: list<float>} compacted
     */
    public function __invoke(#[Items('zones', LiftZone::class, atMost: 1000)] array $zones): array
    {
        $tops = [];
        $before = null;
        foreach ($zones as $i => $zone) {
            $row = $i + 1;
            if ($zone->to <= $zone->from) {
                throw Refused::field('zones.to_m', "zones, row {$row}: to_m {$zone->to} must be above from_m {$zone->from}.");
            }
            if ($before !== null && abs($zone->from - $before) > 1e-9) {
                throw Refused::field('zones.from_m', "zones, row {$row}: from_m is {$zone->from}, the one before ends at {$before}.");
            }
            $height = $zone->to - $zone->from;
            $lifts = max(1, (int) ceil($height / $zone->thickest - 1e-9));
            if (\count($tops) + $lifts > 10000) {
                throw Refused::field('zones.max_lift_m', "zones, row {$row}: lifts of {$zone->thickest} m are more than can be listed.");
            }
            for ($lift = 1; $lift < $lifts; $lift++) {
                $tops[] = $zone->from + $height * $lift / $lifts;
            }
            $tops[] = $before = $zone->to;
        }

        return ['lift_count' => \count($tops), 'tops_m' => $tops];
    }
}
