<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Field\Items;

/** The steps of a plan, in their order. */
final readonly class BoltPlan
{
    /** @param  non-empty-list<PlanStep>  $steps */
    public function __construct(#[Items('steps', PlanStep::class)] public array $steps)
    {
    }
}
