<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** What the stand-in for the device of a step plays. */
final readonly class StandIn
{
    /** @param  float|null  $hold  s; null: as long as the programme goes by itself */
    public function __construct(public string $programme, public ?float $hold)
    {
    }
}
