<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/** An object or a list whose entries are read one by one; what is not known stands as null in it. */
final readonly class Record implements Expression
{
    /** @param  array<array-key, Expression>  $entries */
    public function __construct(private array $entries)
    {
    }

    /** @return array<array-key, mixed> */
    public function of(Known $known): array
    {
        return array_map(fn (Expression $e) => $e->of($known), $this->entries);
    }

    public function missing(Known $known): array
    {
        return array_merge(...array_map(fn (Expression $e) => $e->missing($known), array_values($this->entries)));
    }

    public function isRuledOut(Known $known): bool
    {
        return array_filter($this->entries, fn (Expression $e) => $e->isRuledOut($known)) !== [];
    }
}
