<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** What was recorded at this step of another joint may be taken over: weather for a while, a label while the code is the same. */
final readonly class Offer
{
    /**
     * @param  float|null  $withinMin  how long it holds, min; null: as long as the other holds
     * @param  string|null  $sameStep  a step whose field must be the same at both joints; null: none
     * @param  list<string>  $without  fields that each joint answers for itself
     */
    public function __construct(public ?float $withinMin, public ?string $sameStep, public ?string $sameField, public array $without)
    {
    }
}
