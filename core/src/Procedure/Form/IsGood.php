<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About('$good', '{"$good": "gap"}', 'true when an earlier step is good or close on all its sides, false when it is bad on one')]
final readonly class IsGood extends OfStep
{
    public function of(Known $known): ?bool
    {
        return $known->isGood($this->id);
    }
}
