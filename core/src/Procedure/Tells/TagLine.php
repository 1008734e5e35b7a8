<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Sentence;
use Diastoma\Core\Procedure\Spoken;

/** A line of the tag that is tied to a joint. */
final readonly class TagLine
{
    /** @param  list<Sentence>  $ways  the first of which all is known; the line is left out where there is none */
    public function __construct(public string $label, private array $ways)
    {
    }

    public function told(Known $known): ?Spoken
    {
        foreach ($this->ways as $way) {
            if ($way->isKnown($known)) {
                return $way->fill($known);
            }
        }

        return null;
    }
}
