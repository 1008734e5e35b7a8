<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** When the clamps may come off and when the joint may see a test. Added in UTC; released early is bad and never topped up. */
#[Calculates(
    'cooling-clock',
    'When may the clamps come off, and when may it be tested?',
    Family::Electrofusion,
    ['dismantle_utc', 'dismantle_local', 'test_utc', 'released_early_s', 'remaining_s', 'state', 'verdict'],
    'Cooling time of the label; waiting rule of the procedure',
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
        try {
            $zone = new \DateTimeZone($timeZone);
        } catch (\Exception) {
            throw Refused::field('time_zone', "time_zone \"{$timeZone}\" is not known; write a name such as Europe/Vienna.");
        }
        if ($released !== null && $released < $end) {
            throw Refused::field('released', 'released lies before the end of the fusion.');
        }
        $dismantle = self::later($end, $cooling);
        $test = $rule === null ? null : self::later($end, max($cooling, $rule->wait($cooling, $pressure)));
        $early = $released === null ? null : max(0.0, self::seconds($released, $dismantle));
        $remaining = $now === null ? null : max(0.0, self::seconds($now, $dismantle));

        return [
            'dismantle_utc' => self::utc($dismantle), 'dismantle_local' => $dismantle->setTimezone($zone)->format('Y-m-d\TH:i:sP'),
            'test_utc' => $test === null ? null : self::utc($test),
            'released_early_s' => $early, 'remaining_s' => $remaining,
            'state' => $remaining === null ? null : ($remaining > 0 ? 'cooling' : 'free'),
            'verdict' => $early === null ? 'open' : ($early > 0 ? 'bad' : 'good'),
        ];
    }

    public static function later(\DateTimeImmutable $from, float $seconds): \DateTimeImmutable
    {
        $utc = $from->setTimezone(new \DateTimeZone('UTC'));

        return $utc->modify(sprintf('+%d microseconds', (int) round($seconds * 1e6)));
    }

    public static function utc(\DateTimeImmutable $moment): string
    {
        return $moment->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }

    public static function seconds(\DateTimeImmutable $from, \DateTimeImmutable $to): float
    {
        return (float) $to->format('U.u') - (float) $from->format('U.u');
    }
}
