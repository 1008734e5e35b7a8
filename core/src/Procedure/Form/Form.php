<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

/**
 * A way to put a value together that a path alone cannot say: `{"$first": ["$fact.x", "$param.y"]}`.
 *
 * One class a form, listed in {@see Forms}; documented by its {@see About}.
 */
abstract readonly class Form implements Expression
{
    /**
     * @param  array<string, mixed>  $spec  the object whose first key is the form
     */
    abstract public static function read(array $spec, Reader $reader): Expression;

    public function missing(Known $known): array
    {
        return [];
    }

    public function isRuledOut(Known $known): bool
    {
        return false;
    }
}
