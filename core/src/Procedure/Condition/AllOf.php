<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Condition;

use Diastoma\Core\Procedure\Known;

/** Conditions that must all hold: one that does not settles it, whatever the others are; none at all hold. */
final readonly class AllOf implements Condition
{
    /** @param  list<Condition>  $conditions */
    public function __construct(private array $conditions)
    {
    }

    public function holds(Known $known): ?bool
    {
        $all = true;
        foreach ($this->conditions as $condition) {
            $one = $condition->holds($known);
            if ($one === false) {
                return false;
            }
            $all = $one === null ? null : $all;
        }

        return $all;
    }

    public function missing(Known $known): array
    {
        return array_merge(...array_map(fn (Condition $c) => $c->missing($known), $this->conditions));
    }
}
