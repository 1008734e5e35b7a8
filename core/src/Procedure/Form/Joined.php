<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About(
    '$concat',
    '{"$concat": ["$result.fusion.fusion-trace.events", "$result.preheat.fusion-trace.events"]}',
    'several lists as one, without those that are not asked for here',
)]
final readonly class Joined extends OfList
{
    /** @return list<mixed>|null */
    public function of(Known $known): ?array
    {
        $joined = [];
        foreach ($this->values as $value) {
            $list = $value->of($known);
            if (\is_array($list)) {
                array_push($joined, ...array_values($list));
            } elseif (! $value->isRuledOut($known)) {
                return null;
            }
        }

        return $joined;
    }
}
