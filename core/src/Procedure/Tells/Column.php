<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

use Diastoma\Core\Procedure\Expression\Expression;

/** What stands of a joint in the register, beside what stands there of every joint. */
final readonly class Column
{
    /** @param  string  $name  of the column in exports; a unit at its end */
    public function __construct(public string $name, public string $label, public Expression $value)
    {
    }
}
