<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** Which inputs of a calculation come from the plan or the procedure, and not from what a crew entered. */
final readonly class Planned
{
    /** @param  list<string>  $inputs */
    public function __construct(private array $inputs)
    {
    }

    /** @param  string  $field  as a refusal names it; some families name it without its unit */
    public function holds(string $field): bool
    {
        foreach ($this->inputs as $input) {
            if ($input === $field || str_starts_with($input, $field.'_')) {
                return true;
            }
        }

        return false;
    }
}
