<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About('$bad', '{"$bad": "gap"}', 'true when an earlier step is bad on one of its sides, false when it is good or close on all')]
final readonly class IsBad extends OfStep
{
    public function of(Known $known): ?bool
    {
        $good = $known->isGood($this->id);

        return $good === null ? null : ! $good;
    }
}
