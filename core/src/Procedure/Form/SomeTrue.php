<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About('$some', '{"$some": ["$fact.rain", "$fact.wet"]}', 'true when one is, false when none is')]
final readonly class SomeTrue extends OfList
{
    public function of(Known $known): ?bool
    {
        $some = false;
        foreach ($this->values as $value) {
            $one = $value->of($known);
            if ($one === true) {
                return true;
            }
            $some = $one === false ? $some : null;
        }

        return $some;
    }
}
