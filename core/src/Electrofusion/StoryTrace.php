<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;

/** One trace of a joint in its story: what it was for, when, and how it was judged. */
final readonly class StoryTrace
{
    public Verdict $verdict;

    public function __construct(
        #[Text('role', longest: 40)] public string $role,
        #[Instant('start')] public \DateTimeImmutable $start,
        #[Instant('end')] public \DateTimeImmutable $end,
        #[Choice('verdict', ['good', 'close', 'bad', 'open'])] string $verdict,
    ) {
        if ($end <= $start) {
            throw Refused::field('traces', "traces: {$role} ends before it starts.");
        }
        $this->verdict = Verdict::from($verdict);
    }
}
