<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

/** A form over a list of values. */
abstract readonly class OfList extends Form
{
    /** @param  list<Expression>  $values */
    final public function __construct(protected array $values)
    {
    }

    public static function read(array $spec, Reader $reader): Expression
    {
        return new static($reader->listOf(Forms::about(static::class)->name, $spec));
    }

    public function missing(Known $known): array
    {
        return $this->of($known) === null ? array_merge(...array_map(fn (Expression $e) => $e->missing($known), $this->values)) : [];
    }

    public function isRuledOut(Known $known): bool
    {
        return $this->values !== [] && array_filter($this->values, fn (Expression $e) => ! $e->isRuledOut($known)) === [];
    }

    /** @return list<mixed> null where it is not known */
    protected function each(Known $known): array
    {
        return array_map(fn (Expression $e) => $e->of($known), $this->values);
    }
}
