<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About('$first', '{"$first": ["$fact.x", "$param.y"]}', 'the first that is known')]
final readonly class FirstKnown extends OfList
{
    public function of(Known $known): mixed
    {
        foreach ($this->values as $value) {
            $found = $value->of($known);
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }

    /** What would be asked for last is named. */
    public function missing(Known $known): array
    {
        $last = $this->values[\count($this->values) - 1] ?? null;

        return $last === null || $this->of($known) !== null ? [] : $last->missing($known);
    }
}
