<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/** What was recorded at a step: `$fact.x`, `$step.ID.x`. */
final readonly class FactValue implements Expression
{
    /**
     * @param  string  $step  its key
     * @param  list<string>  $path  into its value; empty: the whole of it
     * @param  string  $words  how a person calls it
     */
    public function __construct(private string $step, private array $path, private string $words)
    {
    }

    public function of(Known $known): mixed
    {
        $value = $known->values[$this->step] ?? null;

        return $value === null ? null : Walk::down($value, $this->path);
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
