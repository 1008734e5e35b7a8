<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Condition\Condition;

/** What can hurt at a step. */
final readonly class Caution
{
    /** @param  Condition|null  $when  it applies; null: always */
    public function __construct(public string $text, public ?Condition $when)
    {
    }

    /** One whose condition is not settled is shown: better one too many. */
    public function applies(Known $known): bool
    {
        return $this->when?->holds($known) !== false;
    }
}
