<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Known;

#[About('$earliest', '{"$earliest": ["$step.scrape@a.@at", "$step.scrape@b.@at"]}', 'the earliest of those times that are known')]
final readonly class Earliest extends OfList
{
    public function of(Known $known): ?string
    {
        $times = array_filter($this->each($known), is_string(...));
        usort($times, fn (string $a, string $b) => strtotime($a) <=> strtotime($b));

        return $times[0] ?? null;
    }
}
