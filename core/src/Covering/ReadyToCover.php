<?php

declare(strict_types=1);

namespace Diastoma\Core\Covering;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calendar;
use Diastoma\Core\Verdict;

/**
 * May these joints be covered? Each of them made, none bad, and none before its time. What is covered is seen by nobody: one of
 * which something is still open is left bare.
 */
#[Calculates(
    'ready-to-cover',
    'May these joints be covered?',
    Family::Gasketed,
    ['count', 'free_from', 'lies', 'fails', 'verdict'],
    'Common practice: each joint is checked as it is made, and looked at before it disappears',
    verdicts: ['good', 'bad', 'open'],
    codes: ['lies' => ['pipe-alone', 'joints'], 'fails' => ['bad:*', 'not-made:*', 'open:*', 'too-early:*']],
)]
final class ReadyToCover
{
    /**
     * @param  list<JointInStretch>  $joints  none: nothing disappears but pipe
     * @return array{count: int, free_from: string|null, lies: list<string>, fails: list<string>, verdict: string}
     *     free_from: the last of their times
     */
    public function __invoke(
        #[Items('joints', JointInStretch::class, atLeast: 0, atMost: 5000)] array $joints,
        #[Instant('covered_at', about: 'left out: nothing is said of their times')] ?\DateTimeImmutable $coveredAt = null,
    ): array {
        $fails = [];
        foreach ($joints as $joint) {
            $early = $coveredAt !== null && $joint->coverFrom !== null && $coveredAt < $joint->coverFrom;
            $fault = match (true) {
                $joint->verdict === Verdict::Bad => 'bad',
                ! $joint->made => 'not-made',
                $joint->verdict === Verdict::Open => 'open',
                $early => 'too-early',
                default => null,
            };
            if ($fault !== null) {
                $fails[] = "{$fault}:{$joint->number}";
            }
        }
        $times = array_filter(array_map(fn (JointInStretch $joint) => $joint->coverFrom, $joints));

        return [
            'count' => \count($joints), 'free_from' => $times === [] ? null : Calendar::utc(max($times)),
            'lies' => [$joints === [] ? 'pipe-alone' : 'joints'], 'fails' => $fails,
            'verdict' => match (true) {
                $fails !== [] => Verdict::Bad->value,
                $coveredAt === null && $times !== [] => Verdict::Open->value,
                default => Verdict::Good->value,
            },
        ];
    }
}
