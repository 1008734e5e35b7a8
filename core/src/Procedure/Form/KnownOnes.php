<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About('$known', '{"$known": [{"gap_mm": "$result.gap@1.feel.gap_max_mm"}]}', 'a list of those of which all is known')]
final readonly class KnownOnes extends OfList
{
    /** @return list<mixed> */
    public function of(Known $known): array
    {
        return array_values(array_filter($this->each($known), fn (mixed $v) => \is_array($v) ? ! \in_array(null, $v, true) : $v !== null));
    }
}
