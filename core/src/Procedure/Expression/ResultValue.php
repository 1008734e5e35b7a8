<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/** What a calculation of this step or another gave: `$here.CALC.x`, `$result.ID.CALC.x`. */
final readonly class ResultValue implements Expression
{
    /**
     * @param  string  $step  its key
     * @param  string  $calculation  name that it has in the step
     * @param  string  $words  how a person calls it
     */
    public function __construct(private string $step, private string $calculation, private string $name, private string $words)
    {
    }

    public function of(Known $known): mixed
    {
        return $known->results[$this->step][$this->calculation][$this->name] ?? null;
    }

    public function missing(Known $known): array
    {
        if ($this->of($known) !== null) {
            return [];
        }
        $lacking = $known->lacks($this->step, $this->calculation);

        return $lacking !== [] ? $lacking : [$this->words];
    }

    public function isRuledOut(Known $known): bool
    {
        return $known->isRuledOut($this->step, $this->calculation);
    }
}
