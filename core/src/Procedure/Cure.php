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
        $settled = $states;
        foreach ($states as $key => $state) {
            if ($state->step->cures !== []) {
                $settled[$key] = self::of($state, $states);
            }
        }

        return $settled;
    }

    /**
     * One of them, as it stands now.
     *
     * @param  array<string, StepState>  $states
     */
    public static function of(StepState $state, array $states): StepState
    {
        return self::isCurable($state)
            ? $state->saying(array_map(fn (Reason $r) => self::settled($r, $states), $state->reasons))
            : $state;
    }

    /**
     * @param  array<string, StepState>  $states
     * @return list<StepState> steps for which this one settles something
     */
    public static function by(string $key, array $states): array
    {
        $settled = [];
        foreach ($states as $state) {
            if ($state->step->cures !== [] && array_filter($state->reasons, fn (Reason $r) => $r->curedBy === $key) !== []) {
                $settled[] = self::of($state, $states);
            }
        }

        return $settled;
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
