<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Units\UnitSystem;

/** What a calculation found that judges nothing, and what may be done about it. It never makes anything good or bad. */
final readonly class Finding
{
    public function __construct(public Spoken $text, public Spoken $do)
    {
    }

    /** @return array{text: string, do: string} */
    public function toArray(UnitSystem $units, ?\DateTimeZone $zone): array
    {
        return ['text' => $this->text->in($units, $zone), 'do' => $this->do->in($units, $zone)];
    }
}
