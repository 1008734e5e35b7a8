<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Verdict;

/** May the round be judged: is every wanted position read, and is no gap between readings too wide? */
#[Calculates(
    'round-coverage',
    'Are all wanted positions read?',
    Family::Measuring,
    ['verdict', 'missing', 'largest_gap_deg', 'reasons'],
    'Positions of the procedure; common practice',
    verdicts: ['good', 'open'],
)]
final class RoundCoverage
{
    /**
     * @param  list<string>  $wanted
     * @param  list<string>  $read
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Numbers('wanted', texts: true)] array $wanted,
        #[Numbers('read', texts: true)] array $read,
        #[Number('max_gap_deg', above: 0, max: 360)] ?float $maxGap = null,
    ): array {
        $angles = array_map(fn ($clock) => Clock::degrees($clock, 'read'), $read);
        $missing = array_values(array_filter($wanted, fn ($clock) => ! self::contains($angles, Clock::degrees($clock, 'wanted'))));
        $largest = self::largestGap($angles);
        $reasons = array_map(fn ($clock) => "{$clock} o'clock not read: mirror and feeler, or dig the hollow deeper", $missing);
        if ($maxGap !== null && $largest > $maxGap + 1e-9) {
            $reasons[] = sprintf('%g° between neighbours is more than %g°', $largest, $maxGap);
        }

        return [
            'verdict' => ($reasons === [] ? Verdict::Good : Verdict::Open)->value,
            'missing' => $missing, 'largest_gap_deg' => $largest, 'reasons' => $reasons,
        ];
    }

    /** @param  list<float>  $angles */
    private static function contains(array $angles, float $wanted): bool
    {
        foreach ($angles as $angle) {
            if (abs($angle - $wanted) < 1e-9) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<float>  $angles  degrees; 360 for none or one */
    public static function largestGap(array $angles): float
    {
        $angles = array_values(array_unique($angles));
        sort($angles);
        $n = \count($angles);
        if ($n < 2) {
            return 360.0;
        }
        $gaps = [360 - $angles[$n - 1] + $angles[0]];
        for ($i = 1; $i < $n; $i++) {
            $gaps[] = $angles[$i] - $angles[$i - 1];
        }

        return (float) max($gaps);
    }
}
