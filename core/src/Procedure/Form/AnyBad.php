<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Verdict;

#[About('$anyBad', '{"$anyBad": "fusion"}', 'whether one of the traces of a step was bad')]
final readonly class AnyBad extends OfStep
{
    public function of(Known $known): ?bool
    {
        $verdicts = array_column($known->attempts($this->key), 'verdict');

        return $verdicts === [] ? null : \in_array(Verdict::Bad->value, $verdicts, true);
    }
}
