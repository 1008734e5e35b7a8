<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Refused;

/** Why a calculation of a step gave no result, and what to do about it. */
final readonly class Uncomputed
{
    /** @param  list<string>  $missing  in words for a person */
    private function __construct(public Spoken $why, public string $do, public bool $entered, public array $missing)
    {
    }

    /** @param  list<string>  $missing  in words for a person */
    public static function missing(Spoken $why, array $missing): self
    {
        return new self($why, 'Record what is missing.', false, $missing);
    }

    public static function refused(Refused $refused, Planned $planned): self
    {
        $why = Spoken::plain($refused->getMessage());

        return $planned->holds($refused->firstField())
            ? new self($why, 'It comes from the plan, not from what was entered: an engineer puts it right.', false, [])
            : new self($why, 'Look again, and enter it as it is.', true, []);
    }
}
