<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Verdict;

/** A question of which one answer is good, and what is said of the other. */
final readonly class YesNo
{
    public function __construct(public bool $want, private Verdict $otherwise, private Sentence $bad, private Sentence $do)
    {
    }

    public function says(bool $answer, Known $known): ?Reason
    {
        return $answer === $this->want ? null : new Reason($this->otherwise, $this->bad->fill($known), $this->do->fill($known));
    }
}
