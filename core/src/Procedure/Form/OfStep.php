<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

/** A form that asks how a step stands. */
abstract readonly class OfStep extends Form
{
    /**
     * @param  string  $id  all its sides
     * @param  string  $key  the side that is meant from where the form stands
     */
    final public function __construct(protected string $id, protected string $key)
    {
    }

    public static function read(array $spec, Reader $reader): Expression
    {
        $name = Forms::about(static::class)->name;
        $at = $reader->below($name);
        if (! \is_string($spec[$name])) {
            return $at->unresolved($name, 'must name a step');
        }
        $key = $at->stepKey($spec[$name]);

        return $key === null ? $at->unresolved($spec[$name]) : new static(explode('@', $spec[$name])[0], $key);
    }

    public function isRuledOut(Known $known): bool
    {
        return $known->isRuledOut($this->key);
    }
}
