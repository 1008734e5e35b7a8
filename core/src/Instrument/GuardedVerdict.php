<?php

declare(strict_types=1);

namespace Diastoma\Core\Instrument;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\Student;
use Diastoma\Core\Verdict;

/** Good, close or bad, the same way everywhere; also for a go / no-go interval. All numbers in one unit. */
#[Calculates(
    'guarded-verdict',
    'Is the value inside its limits, given how well it is known?',
    Family::Measuring,
    ['verdict', 'uncertain', 'probability', 'reasons'],
    'ILAC-G8:09/2019; JCGM 106',
)]
final class GuardedVerdict
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Number('value')] ?float $value = null,
        #[Number('value_lo')] ?float $low = null,
        #[Number('value_hi')] ?float $high = null,
        #[Number('limit_min')] ?float $min = null,
        #[Number('limit_max')] ?float $max = null,
        #[Number('u_expanded', min: 0)] ?float $u = null,
        #[Choice('rule', Guard::RULES)] string $rule = 'guarded',
    ): array {
        if ($min === null && $max === null) {
            throw Refused::field('limit_max', 'no limit is given: limit_min, limit_max or both are wanted.');
        }
        if ($min !== null && $max !== null && $min > $max) {
            throw Refused::field('limit_min', "limit_min {$min} is above limit_max {$max}.");
        }
        if ($low !== null || $high !== null) {
            return $this->interval($low, $high, $min, $max);
        }

        return [...Guard::judge($value, $min, $max, $u, $rule)->toArray(), 'probability' => $this->probability($value, $min, $max, $u)];
    }

    /** @return array<string, mixed> */
    private function interval(?float $low, ?float $high, ?float $min, ?float $max): array
    {
        if ($low === null || $high === null) {
            throw Refused::field($low === null ? 'value_lo' : 'value_hi', 'give value_lo and value_hi together.');
        }
        if ($low > $high) {
            throw Refused::field('value_lo', "value_lo {$low} is above value_hi {$high}.");
        }
        $inside = ($max === null || Compare::atMost($high, $max)) && ($min === null || Compare::atLeast($low, $min));
        $outside = ($max !== null && ! Compare::atMost($low, $max)) || ($min !== null && ! Compare::atLeast($high, $min));
        $verdict = $inside ? Verdict::Good : ($outside ? Verdict::Bad : Verdict::Close);
        $next = $max !== null && $high > $max ? $max : $min;

        return [
            'verdict' => $verdict->value, 'uncertain' => false, 'probability' => null,
            'reasons' => $verdict === Verdict::Close ? ["straddles a limit: try the gauge nearest {$next} next"] : [],
        ];
    }

    private function probability(?float $value, ?float $min, ?float $max, ?float $u): ?float
    {
        if ($value === null || $u === null || $u == 0) {
            return null;
        }
        $below = $max === null ? 1.0 : Student::normal(($max - $value) / ($u / 2));

        return $below - ($min === null ? 0.0 : Student::normal(($min - $value) / ($u / 2)));
    }
}
