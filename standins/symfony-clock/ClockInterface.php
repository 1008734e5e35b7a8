<?php

namespace Symfony\Component\Clock;

use Psr\Clock\ClockInterface as PsrClockInterface;

/** A clock that can also wait and change its time zone. */
interface ClockInterface extends PsrClockInterface
{
    /** Waits for the given number of seconds, fractions allowed. */
    public function sleep(float|int $seconds): void;

    /** The same clock in another time zone. */
    public function withTimeZone(\DateTimeZone|string $timezone): static;
}
