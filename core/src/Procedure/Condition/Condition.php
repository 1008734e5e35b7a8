<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Condition;

use Diastoma\Core\Procedure\Known;

/** When something is asked for, computed or shown. It has three values: unknown is neither yes nor no. */
interface Condition
{
    /** True, false, or null while what it rests on is not known. */
    public function holds(Known $known): ?bool;

    /** @return list<string> what would have to be recorded for it to be settled, in words for a person */
    public function missing(Known $known): array;
}
