<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Units\Unit;

/** A number in the unit of what it is held against: `mark_mm` of a fact against `mark_m` of a result. */
final readonly class InUnit implements Expression
{
    public function __construct(private Expression $value, private Unit $from, private Unit $to)
    {
    }

    public function of(Known $known): mixed
    {
        $value = $this->value->of($known);

        return \is_int($value) || \is_float($value) ? $this->to->fromSi($this->from->toSi((float) $value)) : $value;
    }

    public function missing(Known $known): array
    {
        return $this->value->missing($known);
    }

    public function isRuledOut(Known $known): bool
    {
        return $this->value->isRuledOut($known);
    }
}
