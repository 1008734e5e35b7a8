<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Verdict;

/** One answer of several, and how it is judged. */
final readonly class Option
{
    public function __construct(
        public string $value,
        public string $label,
        private Verdict $verdict,
        private Sentence $bad,
        private Sentence $do,
    ) {
    }

    public function says(Known $known): ?Reason
    {
        return $this->verdict === Verdict::Good ? null : new Reason($this->verdict, $this->bad->fill($known), $this->do->fill($known));
    }
}
