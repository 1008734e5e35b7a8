<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/** Something that a procedure reads: a value of its own, a path to what is known, or a form over others. */
interface Expression
{
    /** The value, or null when it is not known. Never a convenient answer. */
    public function of(Known $known): mixed;

    /** @return list<string> what would have to be recorded for it to be known, in words for a person; empty when it is known */
    public function missing(Known $known): array;

    /** Does it read something that is certainly not wanted here, and so will never be known? */
    public function isRuledOut(Known $known): bool;
}
