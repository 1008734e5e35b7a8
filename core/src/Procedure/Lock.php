<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** Why a step cannot be done now. */
final readonly class Lock
{
    /** Another step must be good first. */
    public const NEEDS_GOOD = 'needs-good';

    /** Another step comes first. */
    public const AFTER = 'after';

    /** What it waits for cannot be read in its older text. */
    public const UNREADABLE = 'unreadable';

    /** Its time has not come. */
    public const TOO_EARLY = 'too-early';

    /**
     * @param  self::NEEDS_GOOD|self::AFTER|self::UNREADABLE|self::TOO_EARLY  $code
     * @param  bool  $protects  it keeps people from harm: nothing may be done here while it is shut
     * @param  list<Wait>  $waits  all steps that it waits for; the first one is what the sentence speaks of
     */
    public function __construct(public string $code, public string $text, public bool $protects, public array $waits = [])
    {
    }

    /**
     * @param  non-empty-list<Wait>  $waits
     */
    public static function waiting(array $waits, bool $protects): self
    {
        return new self($waits[0]->code, $waits[0]->text, $protects, $waits);
    }

    /** @return array{code: string, protects: bool, waits: list<array{step: string, code: string, text: string}>} */
    public function toArray(): array
    {
        $waits = array_map(fn (Wait $wait) => $wait->toArray(), $this->waits);

        return ['code' => $this->code, 'protects' => $this->protects, 'waits' => $waits];
    }
}
