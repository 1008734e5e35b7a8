<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calendar;
use Diastoma\Core\Verdict;

/**
 * May the hoists be drawn? Enough restraints on each pipe end, each fused well, and the latest of their cooling clocks
 * run out. A bad one carries nothing and is not counted.
 */
#[Calculates(
    'restraints-ready',
    'May the pipes be pulled by their restraints?',
    Family::Electrofusion,
    ['count_a', 'count_b', 'free_from', 'fails', 'waits', 'verdict'],
    'Common practice for large couplings: often three on each end, none pulled before the last has cooled',
    verdicts: ['good', 'bad', 'open'],
    codes: ['fails' => ['too-few:a', 'too-few:b', 'still-warm:*'], 'waits' => ['*']],
)]
final class RestraintsReady
{
    /**
     * @param  list<Restraint>  $restraints
     * @return array{count_a: int, count_b: int, free_from: string|null, fails: list<string>, waits: list<string>, verdict: string}
     */
    public function __invoke(
        #[Items('restraints', Restraint::class, atLeast: 0)] array $restraints,
        #[Number('per_end', min: 1, max: 12, whole: true)] float $perEnd,
        #[Instant('pulled_at', about: 'when the pull begins')] ?\DateTimeImmutable $pulledAt = null,
    ): array {
        $sound = array_filter($restraints, fn (Restraint $r) => $r->verdict !== Verdict::Bad);
        $count = fn (string $end): int => \count(array_filter($sound, fn (Restraint $r) => $r->end === $end));
        $known = array_filter(array_map(fn (Restraint $r) => $r->freeFrom, $sound));
        $free = $known === [] ? null : max($known);
        $fails = [];
        $waits = [];
        foreach (['a', 'b'] as $end) {
            if ($count($end) < $perEnd) {
                $fails[] = "too-few:{$end}";
            }
        }
        foreach ($sound as $restraint) {
            if ($restraint->freeFrom === null || $restraint->verdict === Verdict::Open) {
                $waits[] = $restraint->number;
            } elseif ($pulledAt !== null && $pulledAt < $restraint->freeFrom) {
                $fails[] = "still-warm:{$restraint->number}";
            }
        }

        return [
            'count_a' => $count('a'), 'count_b' => $count('b'),
            'free_from' => $free === null || $waits !== [] ? null : Calendar::utc($free),
            'fails' => $fails, 'waits' => $waits,
            'verdict' => ($fails !== [] ? Verdict::Bad : ($waits !== [] || $pulledAt === null ? Verdict::Open : Verdict::Good))->value,
        ];
    }
}
