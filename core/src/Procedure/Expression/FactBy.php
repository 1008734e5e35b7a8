<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/** Who recorded a step: `$step.ID.@by`, the name of a person. */
final readonly class FactBy implements Expression
{
    public function __construct(private string $step, private string $words)
    {
    }

    public function of(Known $known): ?string
    {
        $by = $known->facts->at($this->step)->by ?? '';

        return $by === '' ? null : $by;
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
