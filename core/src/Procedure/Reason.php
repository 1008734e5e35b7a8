<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/** Why a step is judged as it is, and what to do now. */
final readonly class Reason
{
    /**
     * @param  Parameter|null  $limit  what it stands on
     * @param  bool  $unusable  what was entered cannot be used: it is looked at again before anything else
     */
    public function __construct(
        public Verdict $verdict,
        public Spoken $text,
        public Spoken $do,
        public ?Parameter $limit = null,
        public bool $unusable = false,
    ) {
    }

    public static function plain(Verdict $verdict, string $text, string $do = ''): self
    {
        return new self($verdict, Spoken::plain($text), Spoken::plain($do));
    }

    /** @return array<string, mixed> */
    public function toArray(UnitSystem $units, ?\DateTimeZone $zone): array
    {
        return [
            'verdict' => $this->verdict->value,
            'text' => $this->text->in($units, $zone),
            'do' => $this->do->in($units, $zone),
            'limit' => $this->limit?->cited($units),
        ];
    }

    /** @param  list<self>  $reasons */
    public static function worst(array $reasons): Verdict
    {
        return Verdict::worst(Verdict::Good, ...array_map(fn (self $r) => $r->verdict, $reasons));
    }
}
