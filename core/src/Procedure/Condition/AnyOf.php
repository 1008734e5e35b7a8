<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Condition;

use Diastoma\Core\Procedure\Known;

/** Conditions of which one must hold: one that does settles it; none at all do not. */
final readonly class AnyOf implements Condition
{
    /** @param  list<Condition>  $conditions */
    public function __construct(private array $conditions)
    {
    }

    public function holds(Known $known): ?bool
    {
        $any = false;
        foreach ($this->conditions as $condition) {
            $one = $condition->holds($known);
            if ($one === true) {
                return true;
            }
            $any = $one === null ? null : $any;
        }

        return $any;
    }

    public function missing(Known $known): array
    {
        return array_merge(...array_map(fn (Condition $c) => $c->missing($known), $this->conditions));
    }
}
