<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Verdict;

/** What is said of a step that was done before its time. `{opens_at}` and `{at}` stand for the two times. */
final readonly class Early
{
    public function __construct(public Verdict $verdict, public Sentence $text, public Sentence $do)
    {
    }
}
