<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Condition;

use Diastoma\Core\Procedure\Known;

/** A condition of an older frozen text that cannot be read: neither yes nor no, ever. */
final readonly class Unsettled implements Condition
{
    public function holds(Known $known): null
    {
        return null;
    }

    public function missing(Known $known): array
    {
        return ['what its condition says'];
    }
}
