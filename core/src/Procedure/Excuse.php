<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Condition\Condition;
use Diastoma\Core\Verdict;

/** A bad verdict that rests on these codes alone counts as another while a condition is known to hold. */
final readonly class Excuse
{
    /**
     * @param  string  $list  of the result
     * @param  list<string>  $codes
     */
    public function __construct(private string $list, private array $codes, private Condition $when, public Verdict $as)
    {
    }

    /** @param  array<string, mixed>  $result */
    public function applies(array $result, Known $known): bool
    {
        $held = (array) ($result[$this->list] ?? []);
        // What is no code is none that is excused.
        $excused = array_filter($held, fn (mixed $code) => \in_array($code, $this->codes, true));

        return $held !== [] && \count($excused) === \count($held) && $this->when->holds($known) === true;
    }
}
