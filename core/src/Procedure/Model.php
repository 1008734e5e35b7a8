<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** A calculation that shows what happens inside a joint: for understanding, never for permission. */
final readonly class Model
{
    public function __construct(public string $calculation, private Binding $inputs)
    {
    }

    /** @return array{calc: string, in: array<string, mixed>} the calculation, and what is known of its inputs */
    public function known(Known $known): array
    {
        return ['calc' => $this->calculation, 'in' => $this->inputs->known($known)];
    }
}
