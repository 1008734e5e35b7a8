<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** What was tried from one joint: how many ways lead on, and what spoke against the others. */
final class LayTry
{
    public int $ways = 0;

    /** A pipe was refused for the angle of its joint. */
    public bool $angle = false;

    /** The smallest of the angles that were refused, degrees; null: it could not even be said */
    public ?float $least = null;

    public function refusedFor(?float $angle): void
    {
        $this->angle = true;
        $this->least = $angle === null ? $this->least : min($angle, $this->least ?? $angle);
    }

    /** The last pipe was refused for the angle with what it must meet. */
    public bool $end = false;

    /** A pipe was refused because it leaves the line too far. */
    public bool $line = false;
}
