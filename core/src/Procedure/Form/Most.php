<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About('$most', '{"$most": ["$param.t_tol_s", 2]}', 'the largest of those numbers that are known')]
final readonly class Most extends OfList
{
    public function of(Known $known): int|float|null
    {
        $numbers = array_filter($this->each($known), fn (mixed $v) => \is_int($v) || \is_float($v));

        return $numbers === [] ? null : max($numbers);
    }
}
