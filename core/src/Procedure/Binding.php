<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Expression\Expression;

/** What the inputs of a calculation, a device, a drawing or a model are filled from. */
final readonly class Binding
{
    /** @param  array<string, Expression>  $inputs  by name of the input */
    public function __construct(public array $inputs)
    {
    }

    /** @return array<string, mixed> what is known; the rest is left out */
    public function known(Known $known): array
    {
        $found = [];
        foreach ($this->inputs as $name => $expression) {
            $value = $expression->of($known);
            if ($value !== null) {
                $found[$name] = $value;
            }
        }

        return $found;
    }

    /** @return list<string> what is not recorded, in words for a person, each once */
    public function missing(Known $known): array
    {
        $missing = array_map(fn (Expression $e) => $e->missing($known), array_values($this->inputs));

        return array_values(array_unique(array_merge(...$missing)));
    }
}
