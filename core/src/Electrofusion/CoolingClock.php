<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Calendar;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** When the clamps may come off and when the joint may see a test. Added in UTC; released early is bad and never topped up. */
#[Calculates(
    'cooling-clock',
    'When may the clamps come off, and when may it be tested?',
    Family::Electrofusion,
    ['dismantle_utc', 'dismantle_local', 'test_utc', 'released_early_s', 'remaining_s', 'state', 'verdict'],
    'Cooling time of the label; waiting rule of the procedure',
    verdicts: ['good', 'bad', 'open'],
)]
final class CoolingClock
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Instant('fusion_end')] \DateTimeImmutable $end,
        #[Measure('cooling_s', Quantity::Time, above: 0, max: 86400)] float $cooling,
        #[Text('time_zone')] string $timeZone = 'UTC',
        #[Part('test_rule', TestRule::class)] ?TestRule $rule = null,
        #[Measure('test_bar', Quantity::Pressure, above: 0)] ?float $pressure = null,
        #[Instant('now')] ?\DateTimeImmutable $now = null,
        #[Instant('released')] ?\DateTimeImmutable $released = null,
    ): array {
        $zone = Calendar::zone($timeZone, 'time_zone');
        if ($released !== null && $released < $end) {
            throw Refused::field('released', 'released lies before the end of the fusion.');
        }
        $dismantle = Calendar::later($end, $cooling, 'fusion_end');
        $test = $rule === null ? null : Calendar::later($end, max($cooling, $rule->wait($cooling, $pressure)), 'test_rule');
        $early = $released === null ? null : max(0.0, Calendar::seconds($released, $dismantle));
        $remaining = $now === null ? null : max(0.0, Calendar::seconds($now, $dismantle));

        return [
            'dismantle_utc' => Calendar::utc($dismantle), 'dismantle_local' => $dismantle->setTimezone($zone)->format('Y-m-d\TH:i:sP'),
            'test_utc' => $test === null ? null : Calendar::utc($test),
            'released_early_s' => $early, 'remaining_s' => $remaining,
            'state' => $remaining === null ? null : ($remaining > 0 ? 'cooling' : 'free'),
            'verdict' => $early === null ? 'open' : ($early > 0 ? 'bad' : 'good'),
        ];
    }
}
