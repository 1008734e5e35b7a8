<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Expression\Expression;

/** A place in a sentence that a value fills. */
final readonly class Place
{
    /**
     * @param  string  $name  last part of its path; its end tells the unit
     * @param  string  $how  decimals, `mm.0`, `raw`, `time`, `moment`, `day`, `count`, `quarter`, or nothing
     * @param  Expression|null  $value  null: what the moment brings under its path, such as `event.t_s`
     * @param  string  $path  as it stands in the file
     */
    public function __construct(public string $name, public string $how, public ?Expression $value, public string $path)
    {
    }
}
