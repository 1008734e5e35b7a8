<?php

declare(strict_types=1);

namespace Diastoma\Core;

/**
 * Input that the core will not work with: the field, and one sentence that says what was given and what is allowed.
 *
 * Several faults of one input travel together; the first one is the answer on the command line.
 */
final class Refused extends \DomainException
{
    /** @param  non-empty-list<array{field: string, message: string}>  $faults */
    private function __construct(public readonly array $faults)
    {
        parent::__construct($faults[0]['message']);
    }

    public static function field(string $field, string $message): self
    {
        return new self([['field' => $field, 'message' => $message]]);
    }

    /** @param  non-empty-list<self>  $refusals */
    public static function together(array $refusals): self
    {
        return new self(array_merge(...array_map(fn (self $r) => $r->faults, $refusals)));
    }

    public function firstField(): string
    {
        return $this->faults[0]['field'];
    }
}
