<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About('$recorded', '{"$recorded": "fusion"}', 'whether an earlier step was done')]
final readonly class Recorded extends OfStep
{
    public function of(Known $known): bool
    {
        return $known->wasJudged($this->id) && $known->facts->at($this->key) !== null;
    }
}
