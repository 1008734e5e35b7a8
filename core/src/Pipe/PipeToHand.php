<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Verdict;

/** Is one of these pipes among those that were rejected? Numbers are compared as {@see PipeNumber} has them. */
#[Calculates(
    'pipe-to-hand',
    'May these pipes go into the joint?',
    Family::Measuring,
    ['rejected', 'reason', 'verdict'],
    'Common practice: a rejected pipe is marked and not laid',
    verdicts: ['good', 'bad', 'open'],
)]
final class PipeToHand
{
    /**
     * @param  list<RejectedPipe>  $rejected
     * @return array{rejected: string|null, reason: string|null, verdict: string}
     */
    public function __invoke(
        #[Items('rejected', RejectedPipe::class, atLeast: 0)] array $rejected,
        #[Text('pipe_a', longest: 60)] ?string $pipeA = null,
        #[Text('pipe_b', longest: 60)] ?string $pipeB = null,
    ): array {
        $named = array_map(PipeNumber::plain(...), array_filter([$pipeA, $pipeB], fn (?string $n) => $n !== null && trim($n) !== ''));
        foreach ($rejected as $pipe) {
            if (\in_array(PipeNumber::plain($pipe->number), $named, true)) {
                return ['rejected' => $pipe->number, 'reason' => rtrim($pipe->reason, '.'), 'verdict' => Verdict::Bad->value];
            }
        }

        return ['rejected' => null, 'reason' => null, 'verdict' => ($named === [] ? Verdict::Open : Verdict::Good)->value];
    }
}
