<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Verdict;

/** The words of the test methods, and the product's word for each. */
enum Outcome: string
{
    case Pass = 'pass';
    case Fail = 'fail';
    case Repeat = 'repeat';
    case Extend = 'extend';
    case NotFinished = 'not-finished';
    case CannotTell = 'cannot-tell';

    public function verdict(): Verdict
    {
        return match ($this) {
            self::Pass => Verdict::Good, self::Fail => Verdict::Bad, default => Verdict::Open,
        };
    }

    /**
     * Arithmetic never turns a seen leak into a pass.
     *
     * @return array<string, string>
     */
    public static function answer(?self $outcome, bool $visibleLeak, ?string $why = null): array
    {
        if ($visibleLeak) {
            [$outcome, $why] = [self::Fail, 'visible_leak'];
        }
        if ($outcome === null) {
            return [];
        }

        return ['verdict' => $outcome->verdict()->value, 'outcome' => $outcome->value] + ($why === null ? [] : ['why' => $why]);
    }
}
