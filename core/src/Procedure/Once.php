<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Condition\Condition;
use Diastoma\Core\Verdict;

/** A step that is done only once, unless a permit lets it be done once more. */
final readonly class Once
{
    /**
     * @param  Condition|null  $unless  a permit; null: there is none
     * @param  Sentence  $permitted  what is said when it was done twice by permit
     * @param  Sentence  $text  what is said when it was done twice without
     */
    public function __construct(private ?Condition $unless, private Sentence $permitted, private Sentence $text, private Sentence $do)
    {
    }

    public function isPermitted(Known $known): bool
    {
        return $this->unless?->holds($known) === true;
    }

    /** @param  int  $times  how often it was done */
    public function says(int $times, Known $known): ?Reason
    {
        return match (true) {
            $times < 2 => null,
            $times === 2 && $this->isPermitted($known) => new Reason(Verdict::Close, $this->permitted->fill($known), Spoken::plain('')),
            default => new Reason(Verdict::Bad, $this->text->fill($known), $this->do->fill($known)),
        };
    }
}
