<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Verdict;

/** A flexible restraint fused on a pipe end: a joint of its own that is pulled by when it has cooled. */
final readonly class Restraint
{
    public Verdict $verdict;

    public function __construct(
        #[Text('number', longest: 40)] public string $number,
        #[Choice('end', ['a', 'b'])] public string $end,
        #[Choice('verdict', ['good', 'close', 'bad', 'open'])] string $verdict,
        #[Instant('free_from')] public ?\DateTimeImmutable $freeFrom = null,
    ) {
        $this->verdict = Verdict::from($verdict);
    }
}
