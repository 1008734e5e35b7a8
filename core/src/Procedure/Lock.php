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
     * @param  string|null  $blocker  key of the step that it waits for
     * @param  bool  $protects  it keeps people from harm: nothing may be done here while it is shut
     */
    public function __construct(public string $code, public string $text, public ?string $blocker, public bool $protects)
    {
    }
}
