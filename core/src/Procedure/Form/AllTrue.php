<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About('$all', '{"$all": [{"$good": "gap"}, "$fact.dry"]}', 'true when all are, false when one is not')]
final readonly class AllTrue extends OfList
{
    public function of(Known $known): ?bool
    {
        $all = true;
        foreach ($this->values as $value) {
            $one = $value->of($known);
            if ($one === false) {
                return false;
            }
            $all = $one === true ? $all : null;
        }

        return $all;
    }
}
