<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/** When a step was recorded: `$at`, `$step.ID.@at`. ISO 8601 with its offset. */
final readonly class FactTime implements Expression
{
    public function __construct(private string $step, private string $words)
    {
    }

    public function of(Known $known): ?string
    {
        return $known->at($this->step);
    }

    public function missing(Known $known): array
    {
        return $this->of($known) === null ? [$this->words] : [];
    }

    public function isRuledOut(Known $known): bool
    {
        return $known->isRuledOut($this->step);
    }
}
