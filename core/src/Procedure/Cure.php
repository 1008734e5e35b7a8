<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Verdict;

/**
 * What is found bad may be put right by a later step: an oval end by the re-rounding clamp. Until that step is recorded the
 * finding is open, and as long as that is open itself; when it is good the finding is told and counts no more; when it is bad,
 * the finding stays bad.
 */
final readonly class Cure
{
    /**
     * @param  array<string, StepState>  $states
     * @return array<string, StepState>
     */
    public static function settle(array $states): array
    {
        return array_map(
            fn (StepState $state) => self::isCurable($state)
                ? $state->saying(array_map(fn (Reason $r) => self::settled($r, $states), $state->reasons))
                : $state,
            $states,
        );
    }

    /**
     * @param  array<string, StepState>  $states
     * @return list<StepState> steps for which this one settles something
     */
    public static function by(string $key, array $states): array
    {
        $found = array_filter($states, fn (StepState $s) => array_filter($s->reasons, fn (Reason $r) => $r->curedBy === $key) !== []);

        return $found === [] ? [] : array_values(array_intersect_key(self::settle($states), $found));
    }

    private static function isCurable(StepState $state): bool
    {
        return array_filter($state->reasons, fn (Reason $r) => $r->curedBy !== null) !== [];
    }

    /** @param  array<string, StepState>  $states */
    private static function settled(Reason $reason, array $states): Reason
    {
        $cure = $states[$reason->curedBy ?? ''] ?? null;

        return match (true) {
            $cure === null => $reason,
            $cure->verdict === Verdict::Bad => $reason,
            $cure->status === 'done' && $cure->verdict !== Verdict::Open => $reason->cured($cure->title),
            default => $reason->pending(),
        };
    }
}
