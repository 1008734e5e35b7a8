<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Condition\Condition;

/** A picture that belongs to a step. */
final readonly class PhotoAsked
{
    /**
     * @param  string  $of  what it shows
     * @param  bool|Condition  $wanted  without it the step is not done
     */
    public function __construct(public string $of, private bool|Condition $wanted)
    {
    }

    /** One whose condition is not settled is wanted. */
    public function isWanted(Known $known): bool
    {
        return $this->wanted instanceof Condition ? $this->wanted->holds($known) !== false : $this->wanted;
    }
}
