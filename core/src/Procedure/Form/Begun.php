<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About('$begun', '{"$begun": "fusion"}', 'when a trace of a step first began')]
final readonly class Begun extends OfStep
{
    public function of(Known $known): ?string
    {
        $starts = array_column($known->attempts($this->key), 'start');
        usort($starts, fn (string $a, string $b) => strtotime($a) <=> strtotime($b));

        return $starts[0] ?? null;
    }
}
