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
     * @param  string|null  $curedBy  key of the later step in which it is put right
     * @param  bool  $unusable  what was entered cannot be used: it is looked at again before anything else
     */
    public function __construct(
        public Verdict $verdict,
        public Spoken $text,
        public Spoken $do,
        public ?Parameter $limit = null,
        public bool $unusable = false,
        public ?string $curedBy = null,
    ) {
    }

    public static function plain(Verdict $verdict, string $text, string $do = ''): self
    {
        return new self($verdict, Spoken::plain($text), Spoken::plain($do));
    }

    /** The same, of one thing out of several. */
    public function of(string $what): self
    {
        return new self($this->verdict, $this->text->after("{$what}: "), $this->do, $this->limit, $this->unusable, $this->curedBy);
    }

    /** The same, of what a later step puts right. */
    public function curedBy(?string $key): self
    {
        return new self($this->verdict, $this->text, $this->do, $this->limit, $this->unusable, $key);
    }

    /** Not settled yet: what puts it right is still to be done. */
    public function pending(): self
    {
        return new self(Verdict::Open, $this->text, $this->do, $this->limit);
    }

    /** Put right in a step of that title. */
    public function cured(string $title): self
    {
        return new self(Verdict::Good, $this->text->then(" Put right since: {$title}."), Spoken::plain(''), $this->limit);
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
