<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** A drawing beside a step. */
final readonly class Figure
{
    public function __construct(public string $shape, private Binding $shows)
    {
    }

    /** @return array<string, mixed> shape, and what is known of what it shows */
    public function drawn(Known $known): array
    {
        return ['shape' => $this->shape] + $this->shows->known($known);
    }
}
