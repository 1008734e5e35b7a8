<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About('$repeated', '{"$repeated": "fusion"}', 'whether a step was done more than once')]
final readonly class Repeated extends OfStep
{
    public function of(Known $known): ?bool
    {
        return $known->facts->at($this->key) === null ? null : \count($known->facts->attempts($this->key)) > 1;
    }
}
